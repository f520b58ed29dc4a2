import { mediaFill } from "./shots";
import { asTemplate } from "./asTemplate";
import { templateKey } from "./facts";
import { designOf, scenesOf } from "./design";
import { newPromotion } from "./newPromotion";
import { resolvePromotion } from "./resolve";
import { insertScenes } from "./restructure";
import { templateDocument } from "./templateDocument";
import { readTemplate } from "./templateSchema";
import { lockProblem } from "./locks";
import { adjust, applyEdit, fillSlot, putItem } from "./edits";
import { CLIP_ID, PICTURE_ID, testDocument, testFacts } from "../testing/promotions";
import { THREE_REASONS } from "../templates/proofs";
import { shippedRef } from "../templates/shipped";
import { millis } from "../units";

const facts = testFacts();
const document = {
  ...testDocument({
    fills: {
      "hook.headline": { kind: "words", text: "Bring the bench to life" },
      "offer.picture": mediaFill(CLIP_ID),
      "offer.terms": { kind: "words", text: "In the shop only" },
    },
  }),
};
const kept = (fixed: readonly `${string}.${string}`[]) =>
  asTemplate(document, facts, {
    slug: "bench-week",
    name: "Bench week",
    purpose: "price drop",
    about: "",
    fixed: new Set(fixed),
  });

test("what is kept is a sound template that shows what the promotion shows", () => {
  const template = kept(["hook.headline", "product.name", "offer.picture"]);
  expect(readTemplate(JSON.parse(JSON.stringify(templateDocument(template))))).toEqual(
    JSON.parse(JSON.stringify(template)),
  );
  const ref = shippedRef(template);
  const made = { ...document, template: ref, scenes: scenesOf(ref, template), fills: {} };
  const shown = resolvePromotion(made, { ...facts, product: null, templates: { [templateKey(ref)]: template } });
  expect(shown.scenes[0]?.words).toEqual({ headline: "Bring the bench to life" });
  // Fixed: the product's name as it read, though no product is chosen now.
  expect(shown.scenes[1]?.words["name"]).toBe("Hand-thrown pot, 24 cm");
  expect(shown.scenes[2]?.shots["picture"]?.[0]?.media.id).toBe(CLIP_ID);
  // The sign-off still takes its picture from the offer.
  expect(shown.scenes[3]?.shots["picture"]?.[0]?.media.id).toBe(CLIP_ID);
});

test("what is fixed is locked, what is not can be filled again", () => {
  const template = kept(["hook.headline"]);
  const ref = shippedRef(template);
  const templates = { [templateKey(ref)]: template };
  const made = { ...document, template: ref, scenes: scenesOf(ref, template), fills: {} };
  const words = { kind: "words", text: "Other" } as const;
  expect(lockProblem(made, applyEdit(made, fillSlot("hook.headline", words)), templates)).toContain("locked");
  expect(lockProblem(made, applyEdit(made, fillSlot("offer.terms", words)), templates)).toBeNull();
  expect(lockProblem(made, applyEdit(made, fillSlot("hook.picture", mediaFill(PICTURE_ID))), templates)).toBeNull();
});

test("scenes from another template keep their pictures' sources under their new ids", () => {
  const scenes = insertScenes(document, shippedRef(THREE_REASONS), ["third", "sign-off"], 4);
  const template = asTemplate({ ...document, scenes }, facts, {
    slug: "x-y",
    name: "X",
    purpose: "other",
    about: "",
    fixed: new Set(),
  });
  const last = template.scenes.at(-1)?.slots.find((slot) => slot.kind === "media");
  expect(last?.kind === "media" && last.from).toBe("slot:third.picture");
});

test("what was set in one format, how scenes move, and the items over them are kept; a new promotion has them", () => {
  const changed = [
    adjust("ground", "sale", { target: { scene: "hook" }, layer: "scene@format", format: "square" }),
    adjust("motion", "pop", { target: { scene: "offer" } }),
    adjust("motion", "fade", { target: { scene: "offer" }, layer: "@all" }),
    adjust("joinAngle", 90, { target: { scene: "offer" }, layer: "@all" }),
    adjust("clipLevel", 0.4, { target: { scene: "offer" }, layer: "@all" }),
    // Only this promotion is held to a length: what others say takes another time to read.
    adjust("held", millis(9000), { target: { scene: "offer" }, layer: "@all" }),
    putItem("badge", { kind: "sticker", sticker: "tick", order: "a0", from: "hook", to: "offer" }),
    adjust("angle", 9, { target: { item: "badge" }, layer: "scene@format", format: "vertical" }),
  ].reduce(applyEdit, document);
  const template = asTemplate(changed, facts, {
    slug: "kept",
    name: "Kept",
    purpose: "other",
    about: "",
    fixed: new Set(),
  });
  const ref = shippedRef(template);
  const templates = { [templateKey(ref)]: template };
  const made = newPromotion(ref, template, { name: "New", brand: document.brand });
  for (const format of [null, "square", "vertical"] as const) {
    const [was, is] = [designOf(changed, facts.templates, format), designOf(made, templates, format)];
    const kept = ({ scenes }: typeof is) =>
      scenes.map(({ ground, style, join, clipLevels }) => [ground, style, join, clipLevels]);
    expect(kept(is)).toEqual(kept(was));
  }
  expect(() => readTemplate(templateDocument(template))).not.toThrow();
  expect(template.adjustments["@all"]).toEqual({ joinAngle: 90, clipLevel: 0.4 });
  expect(made.items).toEqual(changed.items);
  expect(made.adjustments).toEqual({ "item:badge@vertical": { angle: 9 } });
  // A template made of that one once more says the same.
  const again = asTemplate(made, { ...facts, templates }, { ...template, fixed: new Set() });
  expect(again.adjustments).toEqual(template.adjustments);
});
