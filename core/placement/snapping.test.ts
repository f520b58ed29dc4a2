import fc from "fast-check";
import { type Rect, bottom, rect, right } from "../geometry/rect";
import { formatOf, safeArea } from "./formats";
import { LEAST_SIDE } from "./leastSide";
import { type DraggedEdges, type Surroundings, WHOLE, dragged, snap } from "./snapping";

const SQUARE = formatOf("square");
const alone: Surroundings = { shape: SQUARE, safe: safeArea(SQUARE), others: [] };
const among = (...others: Rect[]): Surroundings => ({ ...alone, others });

describe("a moved place is pulled to", () => {
  test.each([
    ["the safe area", rect(67, 300, 200, 80), alone, 60, 300, ["safe area"]],
    ["the safe area by its far edge", rect(815, 300, 200, 80), alone, 820, 300, ["safe area"]],
    ["the edge of the format", rect(-4, 300, 200, 80), alone, 0, 300, ["edge"]],
    ["the centre", rect(436, 300, 200, 80), alone, 440, 300, ["centre"]],
    ["a neighbour's edge", rect(305, 300, 120, 80), among(rect(300, 700, 333, 50)), 300, 300, ["neighbour"]],
    ["a neighbour's centre", rect(402, 300, 120, 80), among(rect(300, 700, 333, 50)), 406.5, 300, ["neighbour"]],
  ])("%s", (_, place, surroundings, x, y, kinds) => {
    const found = snap(place, WHOLE, surroundings, 8);
    expect(found.place).toEqual(rect(x, y, place.width, place.height));
    expect(found.guides.map(({ kind }) => kind)).toEqual(kinds);
  });

  test("the middle of two neighbours, with equal gaps on both sides", () => {
    const [left, far] = [rect(100, 300, 150, 80), rect(813, 310, 150, 80)];
    const { place, guides } = snap(rect(433, 304, 200, 60), WHOLE, among(left, far), 8);
    expect(place.x - right(left)).toBeCloseTo(far.x - right(place), 9);
    expect(guides.map(({ kind }) => kind)).toContain("equal gap");
  });

  test("the gap its neighbours have, before and after them", () => {
    const [upper, lower] = [rect(300, 400, 333, 50), rect(300, 487, 333, 50)];
    expect(snap(rect(311, 570, 111, 40), WHOLE, among(upper, lower), 8).place.y).toBe(bottom(lower) + 37);
    expect(snap(rect(311, 319, 111, 40), WHOLE, among(upper, lower), 8).place.y).toBe(upper.y - 37 - 40);
    // Nothing is beside it there, so there is no row to have gaps in.
    expect(snap(rect(700, 568, 111, 40), WHOLE, among(upper, lower), 8).place.y).toBe(568);
  });
});

const side = fc.integer({ min: LEAST_SIDE, max: 700 });
const place = fc.record({
  x: fc.integer({ min: -300, max: 1200 }),
  y: fc.integer({ min: -300, max: 1200 }),
  width: side,
  height: side,
});
const edges: fc.Arbitrary<DraggedEdges> = fc.record({
  across: fc.constantFrom("start", "end", null),
  down: fc.constantFrom("start", "end", null),
});
const surroundings = fc.array(place, { maxLength: 5 }).map((others) => among(...others));

test("no place is pulled further than the reach, and what stands on a line stays there", () => {
  fc.assert(
    fc.property(place, edges, surroundings, fc.integer({ min: 1, max: 20 }), (start, which, around, reach) => {
      const once = snap(start, which, around, reach).place;
      for (const [before, after] of [
        [start.x, once.x],
        [start.y, once.y],
        [right(start), right(once)],
        [bottom(start), bottom(once)],
      ] as const)
        expect(Math.abs(after - before)).toBeLessThanOrEqual(reach + 1e-6);
      const again = snap(once, which, around, 1e-3).place;
      for (const key of ["x", "y", "width", "height"] as const) expect(again[key]).toBeCloseTo(once[key], 2);
    }),
  );
});

test("moving keeps the size; resizing keeps the edges that are not dragged, and at least the least side", () => {
  const by = fc.record({ x: fc.integer({ min: -900, max: 900 }), y: fc.integer({ min: -900, max: 900 }) });
  fc.assert(
    fc.property(place, edges, by, surroundings, (start, which, distance, around) => {
      const { place: end } = snap(dragged(start, which, distance), which, around, 10);
      if (which.across === null && which.down === null) {
        expect([end.width, end.height]).toEqual([expect.closeTo(start.width, 6), expect.closeTo(start.height, 6)]);
        return;
      }
      if (which.across !== "start") expect(end.x).toBeCloseTo(start.x, 6);
      if (which.across !== "end") expect(right(end)).toBeCloseTo(right(start), 6);
      if (which.down !== "start") expect(end.y).toBeCloseTo(start.y, 6);
      if (which.down !== "end") expect(bottom(end)).toBeCloseTo(bottom(start), 6);
      expect(Math.min(end.width, end.height)).toBeGreaterThanOrEqual(LEAST_SIDE - 1e-6);
    }),
  );
});

test("every guide is a line that the place stands on", () => {
  fc.assert(
    fc.property(place, surroundings, (start, around) => {
      const found = snap(start, WHOLE, around, 12);
      for (const { axis, at } of found.guides) {
        const stands =
          axis === "across"
            ? [found.place.x, found.place.x + found.place.width / 2, right(found.place)]
            : [found.place.y, found.place.y + found.place.height / 2, bottom(found.place)];
        expect(Math.min(...stands.map((one) => Math.abs(one - at)))).toBeLessThan(1e-5);
      }
    }),
  );
});
