import { defined } from "../testing/defined";
import { CLIP_ID, PICTURE_ID, testClip, testDocument, testFacts, testPicture } from "../testing/promotions";
import { type Edit } from "./edit";
import { applyEdit, fillSlot, inverseOf } from "./edits";
import { type Fill, type Promotion, readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { type KeptPart, keepParts, leftOut, partsOf, putBack, replaceMedia, swapSlots } from "./shotEdits";
import { type Shot, mediaFill, usedOf } from "./shots";

const facts = testFacts();
const withFill = (fill: Fill): Promotion => applyEdit(testDocument(), fillSlot("product.picture", fill));
const shotsOf = (document: Promotion) =>
  defined(resolvePromotion(document, facts).scenes.find(({ id }) => id === "product")?.shots["picture"]);
const shotIn = (document: Promotion): Shot => {
  const fill = document.fills["product.picture"];
  return defined(fill?.kind === "media" ? Object.values(fill.shots)[0] : undefined);
};

/** Keeps some frames of what a slot shows. */
const trimmedTo = (document: Promotion, ...parts: readonly KeptPart[]): Edit =>
  keepParts(document, { slot: "product.picture", shots: shotsOf(document) }, parts);
const one = (from: number, to: number): KeptPart => ({ id: "shot-1", from, to });

test("a clip is trimmed to frames; trimmed to all of it, it says nothing; one step takes it back to the byte", () => {
  const document = withFill(mediaFill(CLIP_ID));
  const { frames } = testClip();
  const edit = trimmedTo(document, one(12, 40));
  const trimmed = applyEdit(document, edit);
  expect(shotIn(trimmed)).toMatchObject({ media: CLIP_ID, from: 12, to: 40 });
  expect(JSON.stringify(applyEdit(trimmed, inverseOf(document, edit)))).toBe(JSON.stringify(document));
  expect(applyEdit(trimmed, trimmedTo(trimmed, one(0, frames)))).toEqual(document);
  // Never less than a frame, and never more than there is.
  const least = applyEdit(trimmed, trimmedTo(trimmed, one(30, 10)));
  expect(shotIn(least)).toMatchObject({ from: 30, to: 31 });
  expect(readPromotion(least)).toEqual(least);
});

test("two parts are left out of a clip: three shots of it are shown one after the other, and put back they are one again", () => {
  const document = applyEdit(withFill(mediaFill(CLIP_ID)), trimmedTo(withFill(mediaFill(CLIP_ID)), one(5, 95)));
  const twice = leftOut(leftOut(partsOf(shotsOf(document)), { from: 20, to: 35 }), { from: 60, to: 70 });
  const cut = applyEdit(document, trimmedTo(document, ...twice));
  const shown = partsOf(shotsOf(cut));
  expect(shown.map(({ from, to }) => [from, to])).toEqual([
    [5, 20],
    [35, 60],
    [70, 95],
  ]);
  expect(new Set(shown.map(({ id }) => id)).size).toBe(3);
  expect(readPromotion(cut)).toEqual(cut);
  const back = applyEdit(cut, trimmedTo(cut, ...putBack(putBack(shown, 1), 0)));
  expect(back).toEqual(document);
});

test("a part that is cut in two keeps its speed in both; what is left out at an end shortens, all of it leaves nothing", () => {
  const fast = withFill({ kind: "media", shots: { "shot-1": { order: "a0", media: CLIP_ID, speed: 2 } } });
  const cut = applyEdit(fast, trimmedTo(fast, ...leftOut(partsOf(shotsOf(fast)), { from: 40, to: 50 })));
  expect(shotsOf(cut).map((shot) => shot.cut.speed)).toEqual([2, 2]);
  expect(leftOut([one(10, 50)], { from: 0, to: 20 })).toEqual([one(20, 50)]);
  expect(leftOut([one(10, 50)], { from: 30, to: 99 })).toEqual([one(10, 30)]);
  expect(leftOut([one(10, 50)], { from: 0, to: 99 })).toEqual([]);
  expect(() => trimmedTo(fast)).toThrow(/stays at least/);
});

test("other clips in the slot stay where they are when one is cut", () => {
  const OTHER = PICTURE_ID;
  const both = withFill({
    kind: "media",
    shots: { "shot-1": { order: "a0", media: CLIP_ID }, "shot-2": { order: "a1", media: OTHER } },
  });
  const cut = applyEdit(both, trimmedTo(both, ...leftOut(partsOf(shotsOf(both)), { from: 40, to: 50 })));
  expect(shotsOf(cut).map(({ media }) => media.id)).toEqual([CLIP_ID, CLIP_ID, OTHER]);
});

test("what comes from the product becomes the slot's own when it is trimmed", () => {
  const plain = testDocument();
  const promotion = resolvePromotion(plain, { ...facts, product: { ...defined(facts.product), picture: CLIP_ID } });
  const shots = defined(promotion.scenes.find(({ id }) => id === "product")?.shots["picture"]);
  expect(plain.fills["product.picture"]).toBeUndefined();
  const trimmed = applyEdit(plain, keepParts(plain, { slot: "product.picture", shots }, [one(5, 20)]));
  expect(shotIn(trimmed)).toMatchObject({ media: CLIP_ID, from: 5, to: 20 });
});

test("a replaced clip keeps its speed and what is used of it, as far as the new one is so long", () => {
  const document = withFill({
    kind: "media",
    shots: { "shot-1": { order: "a0", media: CLIP_ID, from: 20, to: 60, speed: 2 } },
  });
  const replaced = (frames: number) =>
    shotIn(applyEdit(document, replaceMedia(document, "product.picture", testClip({ id: PICTURE_ID, frames }))));
  expect(replaced(300)).toEqual({ order: "a0", media: PICTURE_ID, from: 20, to: 60, speed: 2 });
  expect(replaced(40)).toEqual({ order: "a0", media: PICTURE_ID, from: 20, speed: 2 });
  expect(replaced(10)).toEqual({ order: "a0", media: PICTURE_ID, speed: 2 });
  const picture = shotIn(applyEdit(document, replaceMedia(document, "product.picture", testPicture())));
  expect(picture).toEqual({ order: "a0", media: testPicture().id, speed: 2 });
  const empty = testDocument();
  expect(shotIn(applyEdit(empty, replaceMedia(empty, "product.picture", testClip()))).media).toBe(CLIP_ID);
});

test("two slots swap what is in them, also where one shows what comes by itself; swapped twice all is as it was", () => {
  const one = withFill({ kind: "media", shots: { "shot-1": { order: "a0", media: CLIP_ID, from: 3 } } });
  const both = applyEdit(one, fillSlot("hook.picture", mediaFill(PICTURE_ID)));
  const swap = (document: Promotion) =>
    applyEdit(document, defined(swapSlots(document, "product.picture", "hook.picture")));
  expect(swap(both).fills["hook.picture"]).toEqual(both.fills["product.picture"]);
  expect(swap(both).fills["product.picture"]).toEqual(both.fills["hook.picture"]);
  expect(swap(swap(both))).toEqual(both);
  expect(swap(one).fills["product.picture"]).toBeUndefined();
  expect(swap(one).fills["hook.picture"]).toEqual(one.fills["product.picture"]);
  expect(swapSlots(testDocument(), "product.picture", "hook.picture")).toBeNull();
  expect(swapSlots(both, "hook.picture", "hook.picture")).toBeNull();
});

test("what is used of a clip is at least a frame of it", () => {
  expect(usedOf({ frames: 10 }, {})).toEqual({ from: 0, to: 10 });
  expect(usedOf({ frames: 10 }, { from: 99, to: 3 })).toEqual({ from: 9, to: 10 });
  expect(usedOf({ frames: 10 }, { from: -4, to: 99 })).toEqual({ from: 0, to: 10 });
});
