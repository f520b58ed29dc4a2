import bezierEasing from "bezier-easing";
import fc from "fast-check";
import { cubicBezier } from "./easing";
import { AT_REST, motionAt } from "./wordMotion";

/** On a grid, and away from curves that stand upright somewhere: there any solver's answer turns on the last bits of x. */
const upright = fc.integer({ min: 5, max: 95 }).map((hundredths) => hundredths / 100);
const progresses = fc.integer({ min: 0, max: 1000 }).map((thousandths) => thousandths / 1000);
const value = fc.integer({ min: -100, max: 200 }).map((hundredths) => hundredths / 100);

test("agrees with bezier-easing (CSS Easing 1)", () => {
  fc.assert(
    fc.property(upright, value, upright, value, progresses, (x1, y1, x2, y2, progress) => {
      expect(cubicBezier(x1, y1, x2, y2)(progress)).toBeCloseTo(bezierEasing(x1, y1, x2, y2)(progress), 3);
    }),
    { numRuns: 1000 },
  );
});

test("control points outside 0 to 1 in x are refused", () => {
  expect(() => cubicBezier(-0.1, 0, 1, 1)).toThrow(RangeError);
});

test.each(["rise", "slide", "pop"] as const)(
  "words that %s are unseen before, at rest between, and gone after",
  (kind) => {
    expect(motionAt(kind, 99, 100, 4000).alpha).toBe(0);
    expect(motionAt(kind, 2000, 100, 4000)).toBe(AT_REST);
    expect(motionAt(kind, 4000, 100, 4000).alpha).toBe(0);
  },
);

test("words that stay to the end never leave", () => {
  expect(motionAt("rise", 1e6, 100, Infinity)).toBe(AT_REST);
});
