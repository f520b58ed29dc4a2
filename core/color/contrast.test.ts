import * as culori from "culori";
import fc from "fast-check";
import { contrastRatio, contrastVerdict } from "./contrast";

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);

test.each([
  // WCAG 2.2, 1.4.3 and the worked values in its understanding documents.
  ["#000000", "#ffffff", 21],
  ["#767676", "#ffffff", 4.54],
  ["#777777", "#ffffff", 4.48],
])("contrast of %s and %s is %d", (one, other, expected) => {
  expect(contrastRatio(one, other)).toBeCloseTo(expected, 2);
});

test("agrees with culori on any pair, in either order", () => {
  fc.assert(
    fc.property(hex, hex, (one, other) => {
      expect(contrastRatio(one, other)).toBeCloseTo(culori.wcagContrast(one, other), 6);
      expect(contrastRatio(other, one)).toBe(contrastRatio(one, other));
    }),
  );
});

test.each([
  [7, "AAA"],
  [6.99, "AA"],
  [4.5, "AA"],
  [4.49, "large only"],
  [3, "large only"],
  [2.99, "too low"],
])("a ratio of %d is %s", (ratio, verdict) => {
  expect(contrastVerdict(ratio)).toBe(verdict);
});
