import { type SoundFacts } from "../document/facts";
import { ONE_OFFER } from "../templates/priceDrops";
import { levelAt, mixPlan } from "./mixPlan";

const tune = (change: Partial<SoundFacts> = {}): SoundFacts => ({
  kind: "sound",
  id: "t",
  name: "tune.wav",
  length: 30_000,
  loudness: -20,
  peak: -9,
  ...change,
});

test("a tune is brought to the wanted loudness", () => expect(mixPlan(tune(), ONE_OFFER.sound, 15_000).gain).toBe(6));

test("but never so far that its peaks pass −1 dBTP", () =>
  expect(mixPlan(tune({ peak: -3 }), ONE_OFFER.sound, 15_000).gain).toBe(2));

test("silence is left as it is", () =>
  expect(mixPlan(tune({ loudness: null, peak: null }), ONE_OFFER.sound, 15_000).gain).toBe(0));

test("fades are shortened together when the promotion is shorter than both", () => {
  const plan = mixPlan(tune(), ONE_OFFER.sound, 1000);
  expect(plan.fadeIn + plan.fadeOut).toBeCloseTo(1000);
});

test("the level rises from silence, stands, and falls to silence", () => {
  const plan = mixPlan(tune(), ONE_OFFER.sound, 15_000);
  expect(levelAt(plan, 0)).toBe(0);
  expect(levelAt(plan, 500)).toBeCloseTo(levelAt(plan, 7000) / 2);
  expect(20 * Math.log10(levelAt(plan, 7000))).toBeCloseTo(6);
  expect(levelAt(plan, 15_000)).toBe(0);
});
