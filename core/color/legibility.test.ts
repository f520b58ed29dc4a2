import { type ToneSamples } from "../picture/tones";
import { contrastReached, solveLegibility } from "./legibility";

/** An area of which shares have a grey, given as a byte. */
const area = (...parts: readonly (readonly [grey: number, share: number])[]): ToneSamples =>
  Float64Array.from(parts.flatMap(([grey, share]) => [grey / 255, grey / 255, grey / 255, share]));
const WHITE_ON_BLACK = 21;

// WCAG 2.2: white on black is 21:1, on #767676 4.54:1 (the classic least grey for white text), on white 1:1.
test("the contrast that is reached leaves out the worst twentieth of the area, and no more", () => {
  const reached = (light: number): number =>
    contrastReached(area([0, 100 - light], [255, light]), "#ffffff", "#000000", 0);
  expect(reached(0)).toBeCloseTo(WHITE_ON_BLACK);
  expect(reached(4.9)).toBeCloseTo(WHITE_ON_BLACK);
  expect(reached(5.1)).toBeCloseTo(1);
});

test("it is the same in whatever order the parts come, and however they are cut up", () => {
  const parts = [
    [255, 3],
    [118, 30],
    [0, 60],
    [200, 1],
    [60, 6],
  ] as const;
  const whole = contrastReached(area(...parts), "#ffffff", "#000000", 0);
  expect(whole).toBeCloseTo(4.54, 2);
  expect(contrastReached(area(...parts.toReversed()), "#ffffff", "#000000", 0)).toBeCloseTo(whole, 9);
  const inPieces = parts.flatMap(([grey, share]) => Array.from({ length: 10 }, () => [grey, share / 10] as const));
  expect(contrastReached(area(...inPieces), "#ffffff", "#000000", 0)).toBeCloseTo(whole, 9);
});

const WHITE = { ink: "#ffffff", shade: "#000000" };
const BLACK = { ink: "#000000", shade: "#ffffff" };

test("words over a dark picture are white and over a light one black, without a shade", () => {
  const [dark, light] = [area([20, 1]), area([235, 1])];
  expect(solveLegibility([dark], [WHITE, BLACK], 4.5)).toMatchObject({ ink: "#ffffff", treatment: { kind: "plain" } });
  expect(solveLegibility([light], [WHITE, BLACK], 4.5)).toMatchObject({ ink: "#000000", treatment: { kind: "plain" } });
});

test("the shade is the least that is enough at every moment, and what is spared asks for none", () => {
  const needing = (...moments: readonly ToneSamples[]): number => {
    const { treatment, contrast } = solveLegibility(moments, [WHITE], 4.5);
    expect(contrast).toBeGreaterThanOrEqual(4.5);
    return treatment.kind === "shade" ? treatment.alpha : 0;
  };
  const [dark, middle, light] = [area([20, 1]), area([140, 1]), area([235, 1])];
  expect(needing(dark)).toBe(0);
  expect(needing(middle)).toBeGreaterThan(0);
  expect(needing(light)).toBeGreaterThan(needing(middle));
  expect(needing(dark, light, middle)).toBe(needing(light));
  expect(needing(area([20, 96], [235, 4]))).toBe(0);
  expect(needing(area([20, 94], [235, 6]))).toBe(needing(light));
});
