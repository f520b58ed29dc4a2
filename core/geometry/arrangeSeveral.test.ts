import fc from "fast-check";
import { ALIGNMENTS, DIRECTIONS, aligned, distributed, gapOf, spaced } from "./arrangeSeveral";
import { type Rect, bottom, rect, right, union } from "./rect";

const length = fc.integer({ min: 1, max: 300 });
const place = fc.record({ x: length, y: length, width: length, height: length });
const places = fc.array(place, { minLength: 2, maxLength: 6 });
const EDGE = {
  left: ({ x }: Rect) => x,
  centre: ({ x, width }: Rect) => x + width / 2,
  right,
  top: ({ y }: Rect) => y,
  middle: ({ y, height }: Rect) => y + height / 2,
  foot: bottom,
} as const;

test("what is aligned has the edge asked for in one line, that of the box around all, and keeps its size and its other place", () => {
  fc.assert(
    fc.property(places, fc.constantFrom(...ALIGNMENTS), (before, to) => {
      const after = aligned(before, to);
      for (const one of after) expect(EDGE[to](one)).toBeCloseTo(EDGE[to](before.reduce(union)), 9);
      const isAcross = to === "left" || to === "centre" || to === "right";
      after.forEach((one, at) => {
        const own = before[at] ?? rect(0, 0, 0, 0);
        expect([one.width, one.height, isAcross ? one.y : one.x]).toEqual([
          own.width,
          own.height,
          isAcross ? own.y : own.x,
        ]);
      });
    }),
  );
});

test("spaced, each begins a gap behind the one before it, in the order in which they stood", () => {
  const row = [rect(100, 0, 20, 10), rect(0, 5, 30, 10), rect(300, 9, 10, 10)];
  expect(spaced(row, "across", 12)).toEqual([rect(42, 0, 20, 10), rect(0, 5, 30, 10), rect(74, 9, 10, 10)]);
  expect(spaced(row, "down", 0)).toEqual([rect(100, 0, 20, 10), rect(0, 10, 30, 10), rect(300, 20, 10, 10)]);
});

test("distributed, the gaps are equal, and the box around all stays", () => {
  const row = [rect(0, 0, 20, 10), rect(30, 0, 20, 10), rect(180, 0, 20, 10)];
  expect(distributed(row, "across").map(({ x }) => x)).toEqual([0, 90, 180]);
  fc.assert(
    fc.property(places, fc.constantFrom(...DIRECTIONS), (before, way) => {
      const after = distributed(before, way);
      const [start, end] = way === "across" ? [({ x }: Rect) => x, right] : [({ y }: Rect) => y, bottom];
      const order = before.map((_, at) => at).sort((one, other) => start(before[one]!) - start(before[other]!));
      const gaps = order.slice(1).map((at, index) => start(after[at]!) - end(after[order[index]!]!));
      for (const gap of gaps) expect(gap).toBeCloseTo(gapOf(before, way), 6);
    }),
  );
});
