import { CLIP_ID, testDocument } from "../testing/promotions";
import { adjust, applyEdit, fillSlot, rename } from "./edits";
import { onlyWordsDiffer } from "./onlyWordsDiffer";
import { mediaFill } from "./shots";

const written = applyEdit(testDocument(), fillSlot("hook.headline", { kind: "words", text: "Spring" }));
const typed = applyEdit(written, fillSlot("hook.headline", { kind: "words", text: "Spring i" }));

test("a letter more in words that are there is all that differs", () => {
  expect(onlyWordsDiffer(written, typed)).toBe(true);
  expect(onlyWordsDiffer(typed, written)).toBe(true);
  expect(onlyWordsDiffer(written, written)).toBe(true);
});

test.each([
  ["its name", rename("Other")],
  ["what was set", adjust("hidden", true, { target: { scene: "hook", slot: "headline" } })],
  ["a slot of which words are taken out", fillSlot("hook.headline", null)],
  ["a slot that is filled first", fillSlot("price.headline", { kind: "words", text: "New" })],
  ["what is shown", fillSlot("product.picture", mediaFill(CLIP_ID))],
])("where %s differs as well, words are not all", (_, edit) => {
  expect(onlyWordsDiffer(written, applyEdit(typed, edit))).toBe(false);
});

test("a picture in place of words is more than other words", () => {
  const other = applyEdit(written, fillSlot("hook.headline", mediaFill(CLIP_ID)));
  expect(onlyWordsDiffer(written, other)).toBe(false);
});
