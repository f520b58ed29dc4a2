import fc from "fast-check";
import { levelLength, pyramidLevel, pyramidLevels } from "./pyramid";

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

test("of a picture drawn at a pixel and more there is a copy drawn at half its size or above, at most at its own size", () => {
  const side = fc.integer({ min: 1, max: 4096 });
  fc.assert(
    fc.property(side, side, fc.double({ min: 0, max: 1, noNaN: true }), (width, height, share) => {
      const longest = Math.max(width, height);
      const drawnSide = 1 + share * (2 * longest - 1);
      const level = pyramidLevel(drawnSide / longest, pyramidLevels({ width, height }));
      const drawn = drawnSide / levelLength(longest, level);
      expect(drawn).toBeGreaterThan(0.5 - 1e-6);
      // Copies are rounded down to whole pixels, so that a small one is drawn a little larger than it is.
      if (level > 0) expect(drawnSide).toBeLessThan(levelLength(longest, level) + 1);
    }),
  );
});
