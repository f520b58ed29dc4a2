import fc from "fast-check";
import { pyramidLevel } from "./pyramid";

test.each([
  [1, 0],
  [0.51, 0],
  [0.5, 1],
  [0.26, 1],
  [0.25, 2],
  [3, 0],
])("a drawing scale of %d takes level %d", (scale, level) => {
  expect(pyramidLevel(scale, 7)).toBe(level);
});

test("the copy that is drawn is drawn at half its size or above, at most at its own size, unless it is the first or last", () => {
  fc.assert(
    fc.property(fc.double({ min: 0.005, max: 4, noNaN: true }), fc.integer({ min: 1, max: 9 }), (scale, levels) => {
      const level = pyramidLevel(scale, levels);
      const drawn = scale * 2 ** level;
      if (level > 0) expect(drawn).toBeLessThanOrEqual(1 + 1e-6);
      if (level < levels - 1) expect(drawn).toBeGreaterThan(0.5 - 1e-6);
    }),
  );
});
