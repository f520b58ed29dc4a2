import bezierEasing from "bezier-easing";
import fc from "fast-check";
import { cubicBezier } from "./easing";
import { AT_REST, motionAt } from "./wordMotion";

const unit = fc.double({ min: 0, max: 1, noNaN: true });
const value = fc.double({ min: -1, max: 2, noNaN: true });

test("agrees with bezier-easing (CSS Easing 1)", () => {
  fc.assert(
    fc.property(unit, value, unit, value, unit, (x1, y1, x2, y2, progress) => {
      // Where the curve is nearly vertical any solver's answer turns on the last bits of x; these are compared loosely.
      const steep = Math.abs(x1 - 1) < 0.05 && x2 < 0.05;
      expect(cubicBezier(x1, y1, x2, y2)(progress)).toBeCloseTo(bezierEasing(x1, y1, x2, y2)(progress), steep ? 1 : 3);
    }),
  );
});

test("control points outside 0 to 1 in x are refused", () => {
  expect(() => cubicBezier(-0.1, 0, 1, 1)).toThrow(RangeError);
});

test.each(["rise", "slide", "pop"] as const)("words that %s are unseen before, at rest between, and gone after", (kind) => {
  expect(motionAt(kind, 99, 100, 4000).alpha).toBe(0);
  expect(motionAt(kind, 2000, 100, 4000)).toBe(AT_REST);
  expect(motionAt(kind, 4000, 100, 4000).alpha).toBe(0);
});

test("words that stay to the end never leave", () => {
  expect(motionAt("rise", 1e6, 100, Infinity)).toBe(AT_REST);
});
