import fc from "fast-check";
import { LEAST_WINDOW, WINDOW_CORNERS, movedWindow, pulledWindow, windowOfRatio } from "./cropWindow";
import { type Rect, bottom, rect, right } from "./rect";

const share = fc.double({ min: 0, max: 1, noNaN: true });
/** Any window of a picture. */
const window = fc.record({ x: share, y: share, width: share, height: share }).map(({ x, y, width, height }): Rect => {
  const size = { width: LEAST_WINDOW + width * (1 - LEAST_WINDOW), height: LEAST_WINDOW + height * (1 - LEAST_WINDOW) };
  return rect(x * (1 - size.width), y * (1 - size.height), size.width, size.height);
});
const anywhere = fc.record({
  x: fc.double({ min: -2, max: 3, noNaN: true }),
  y: fc.double({ min: -2, max: 3, noNaN: true }),
});
const SLACK = 1e-9;
const isInside = ({ x, y, ...size }: Rect): boolean =>
  Math.min(x, y) >= -SLACK && right({ x, y, ...size }) <= 1 + SLACK && bottom({ x, y, ...size }) <= 1 + SLACK;

test("a moved window keeps its size and stays inside", () => {
  fc.assert(
    fc.property(window, anywhere, (one, by) => {
      const moved = movedWindow(one, by);
      expect([moved.width, moved.height]).toEqual([one.width, one.height]);
      expect(isInside(moved)).toBe(true);
    }),
  );
  expect(movedWindow(rect(0.2, 0.2, 0.5, 0.5), { x: 0.1, y: -0.1 })).toEqual(
    rect(expect.closeTo(0.3, 9) as number, 0.1, 0.5, 0.5),
  );
});

test("a free corner goes where it is pulled, the one across stays, and never less than the least is left", () => {
  const one = rect(0.2, 0.2, 0.6, 0.6);
  expect(pulledWindow(one, "bottom right", { x: 0.5, y: 0.9 }, null)).toEqual(rect(0.2, 0.2, 0.3, 0.7));
  const pulledIn = pulledWindow(one, "top left", { x: 0.7, y: 0.1 }, null);
  expect([pulledIn.x, pulledIn.y, pulledIn.width, pulledIn.height].map((side) => Number(side.toFixed(9)))).toEqual([
    0.7, 0.1, 0.1, 0.7,
  ]);
  fc.assert(
    fc.property(window, fc.constantFrom(...WINDOW_CORNERS), anywhere, (before, corner, to) => {
      const pulled = pulledWindow(before, corner, to, null);
      expect(isInside(pulled)).toBe(true);
      expect(Math.min(pulled.width, pulled.height)).toBeGreaterThanOrEqual(LEAST_WINDOW - SLACK);
    }),
  );
});

test("a locked window keeps its shape wherever it is pulled, and what is held stays in its corner", () => {
  const ratio = fc.double({ min: 0.2, max: 4, noNaN: true });
  fc.assert(
    fc.property(window, fc.constantFrom(...WINDOW_CORNERS), anywhere, ratio, (before, corner, to, shape) => {
      const pulled = pulledWindow(before, corner, to, shape);
      expect(isInside(pulled)).toBe(true);
      expect(Math.min(pulled.width, pulled.height)).toBeGreaterThanOrEqual(LEAST_WINDOW - SLACK);
      // Where the shape has no room there, it stays as it is.
      if (pulled !== before) expect(pulled.width / pulled.height).toBeCloseTo(shape, 6);
      const held = corner.endsWith("left") ? right : ({ x }: Rect) => x;
      expect(held(pulled)).toBeCloseTo(held(before), 9);
    }),
  );
});

test("a window takes on a shape around its middle, inside the picture", () => {
  fc.assert(
    fc.property(window, fc.double({ min: 0.2, max: 4, noNaN: true }), (before, shape) => {
      const shaped = windowOfRatio(before, shape);
      expect(isInside(shaped)).toBe(true);
      expect(shaped.width / shaped.height).toBeCloseTo(shape, 6);
    }),
  );
});
