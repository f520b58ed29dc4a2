import { mediaShown } from "./named";
import { scenesInOrder } from "./sceneList";
import { THREE_REASONS } from "../templates/proofs";
import { shippedRef } from "../templates/shipped";
import { BRAND_ID, PRODUCT_ID, testClip, testPicture } from "../testing/promotions";
import { slotKey } from "./sceneTemplate";
import { type Trial, TRIALS, tryOut } from "./tryOut";

const TALL = "00000000-0000-4000-8000-000000000071";
const WIDE = "00000000-0000-4000-8000-000000000072";
const on = {
  ref: shippedRef(THREE_REASONS),
  brand: BRAND_ID,
  product: PRODUCT_ID,
  hasProductPicture: true,
  media: [
    testPicture(),
    testClip({ width: 9000, height: 100 }),
    testPicture({ id: WIDE, width: 3000, height: 1000 }),
    testPicture({ id: TALL, width: 600, height: 1800 }),
  ],
};
const tried = (trial: Trial) => tryOut(THREE_REASONS, trial, on);
const mediaOf = (trial: Trial): Set<string> => new Set(mediaShown(tried(trial)));
/** In the order of the slots. */
const wordsOf = (trial: Trial): string[] =>
  THREE_REASONS.scenes.flatMap((scene) =>
    scene.slots.flatMap((slot) => {
      const fill = tried(trial).fills[slotKey(scene, slot)];
      return fill?.kind === "words" ? [fill.text] : [];
    }),
  );

test("the widest and the tallest picture stand in every picture slot, and no clip counts as one", () => {
  expect([...mediaOf("widest picture")]).toEqual([WIDE]);
  expect([...mediaOf("tallest picture")]).toEqual([TALL]);
});

test("trials of words fill every words slot: beyond what it is made for, with nothing, or from right to left", () => {
  const slots = THREE_REASONS.scenes.flatMap((scene) => scene.slots.filter((slot) => slot.kind === "words"));
  expect(wordsOf("no words")).toEqual(slots.map(() => ""));
  expect(
    wordsOf("longest words").every(
      (text, index) => Array.from(text).length > (slots[index]?.kind === "words" ? slots[index].budget : 0) * 0.9,
    ),
  ).toBe(true);
  expect(wordsOf("right to left").every((text) => /^[\p{Script=Arabic}\s]+$/u.test(text))).toBe(true);
  expect(wordsOf("usual words")).toEqual([]);
});

test("every trial is a promotion of the draft's own scenes", () => {
  for (const trial of TRIALS)
    expect(scenesInOrder(tried(trial)).map(({ id }) => id)).toEqual(THREE_REASONS.scenes.map(({ id }) => id));
});
