import { adjust, applyEdit } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { resolvePromotion } from "../../core/document/resolve";
import { defined } from "../../core/testing/defined";
import { testDocument, testFacts } from "../../core/testing/promotions";
import { canReach, frameEdit, unframeEdit } from "./framingEdits";

const slot = "hook.picture";
const target = { scene: "hook", slot: "picture" };
const wayIn = (document: Promotion, format: "square" | "vertical") => {
  const promotion = resolvePromotion(document, testFacts());
  return (promotion.inFormat[format] ?? promotion).scenes[0]?.template.framings["picture"]?.way ?? null;
};

test("a framing for all formats takes the place of what was set in this one, and leaves the other formats their own", () => {
  const before = [
    adjust("way", "strip", { target, layer: "scene@format", format: "square" }),
    adjust("way", "strip", { target, layer: "scene@format", format: "vertical" }),
  ].reduce(applyEdit, testDocument());
  const after = applyEdit(before, frameEdit(before, { slot, format: "square", reach: "scene" }, "way", "whole"));
  expect([wayIn(after, "square"), wayIn(after, "vertical")]).toEqual(["whole", "strip"]);
  const inAll = applyEdit(
    after,
    frameEdit(after, { slot, format: "square", reach: "@format" }, "way", "over its blur"),
  );
  expect(wayIn(inAll, "square")).toBe("over its blur");
  expect(inAll.adjustments["@square"]).toEqual({ way: "over its blur" });
});

test("all that was set of a framing is given back at once; where nothing was, there is nothing to give back", () => {
  expect(unframeEdit(testDocument(), slot)).toBeNull();
  const before = [
    adjust("turned", 12, { target }),
    adjust("way", "whole", { target, layer: "scene@format", format: "vertical" }),
    adjust("hidden", true, { target }),
  ].reduce(applyEdit, testDocument());
  const after = applyEdit(before, defined(unframeEdit(before, slot)));
  expect(after.adjustments).toEqual({ "hook.picture": { hidden: true } });
});

test("what belongs to one picture can't be set for all scenes", () => {
  expect(canReach("way", "@format")).toBe(true);
  for (const id of ["turned", "mirrored", "window", "point"] as const) expect(canReach(id, "@format")).toBe(false);
});
