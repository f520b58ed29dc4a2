import { defined } from "../testing/defined";
import { CLIP_ID, PICTURE_ID, testClip, testDocument, testFacts, testPicture } from "../testing/promotions";
import { applyEdit, fillSlot, inverseOf } from "./edits";
import { type Fill, type Promotion, readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { replaceMedia, swapSlots, trimShot } from "./shotEdits";
import { type Shot, mediaFill, usedOf } from "./shots";

const CLIP = testClip({ frames: 90 });
const facts = testFacts();
const withFill = (fill: Fill): Promotion => applyEdit(testDocument(), fillSlot("product.picture", fill));
const shotOf = (document: Promotion) => {
  const scene = resolvePromotion(document, facts).scenes.find(({ id }) => id === "product");
  return defined(scene?.shots["picture"]?.[0]);
};
const shotIn = (document: Promotion): Shot => {
  const fill = document.fills["product.picture"];
  return defined(fill?.kind === "media" ? Object.values(fill.shots)[0] : undefined);
};

test("a clip is trimmed to frames; trimmed to all of it, it says nothing; one step takes it back to the byte", () => {
  const document = withFill(mediaFill(CLIP_ID));
  const { frames } = shotOf(document).media.kind === "clip" ? (shotOf(document).media as typeof CLIP) : CLIP;
  const edit = trimShot(document, "product.picture", shotOf(document), { from: 12, to: 40 });
  const trimmed = applyEdit(document, edit);
  expect(shotIn(trimmed)).toMatchObject({ media: CLIP_ID, from: 12, to: 40 });
  expect(JSON.stringify(applyEdit(trimmed, inverseOf(document, edit)))).toBe(JSON.stringify(document));
  const whole = applyEdit(trimmed, trimShot(trimmed, "product.picture", shotOf(trimmed), { from: 0, to: frames }));
  expect(whole).toEqual(document);
  // Never less than a frame, and never more than there is.
  const least = applyEdit(trimmed, trimShot(trimmed, "product.picture", shotOf(trimmed), { from: 30, to: 10 }));
  expect(shotIn(least)).toMatchObject({ from: 30, to: 31 });
  expect(readPromotion(least)).toEqual(least);
});

test("what comes from the product becomes the slot's own when it is trimmed", () => {
  const media = { ...facts.media, [CLIP_ID]: CLIP };
  const plain = testDocument();
  const promotion = resolvePromotion(plain, {
    ...facts,
    media,
    product: { ...defined(facts.product), picture: CLIP_ID },
  });
  const shot = defined(promotion.scenes.find(({ id }) => id === "product")?.shots["picture"]?.[0]);
  expect(plain.fills["product.picture"]).toBeUndefined();
  const trimmed = applyEdit(plain, trimShot(plain, "product.picture", shot, { from: 5, to: 20 }));
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
  expect(shotIn(applyEdit(empty, replaceMedia(empty, "product.picture", CLIP))).media).toBe(CLIP.id);
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
