import fc from "fast-check";
import { allotColumn, packColumn } from "./column";
import { bottom, overlaps, rect } from "./rect";

const area = rect(60, 100, 400, 600);
const item = fc.record({ share: fc.double({ min: 0.1, max: 5, noNaN: true }) });

test("boxes share the height by their parts, one under the other with the gap between", () => {
  const boxes = allotColumn(
    area,
    [
      { key: "a", share: 1 },
      { key: "b", share: 3 },
    ],
    20,
  );
  expect(boxes).toEqual({ a: rect(60, 100, 400, 145), b: rect(60, 265, 400, 435) });
});

test("any column of items fills its area exactly and none overlap", () => {
  fc.assert(
    fc.property(fc.array(item, { minLength: 1, maxLength: 6 }), fc.integer({ min: 0, max: 40 }), (items, gap) => {
      const boxes = Object.values(
        allotColumn(
          area,
          items.map(({ share }, index) => ({ key: String(index), share })),
          gap,
        ),
      );
      expect(Math.max(...boxes.map(bottom))).toBeCloseTo(bottom(area), 6);
      boxes.forEach((box, index) =>
        boxes.slice(index + 1).forEach((other) => expect(overlaps(box, other)).toBe(false)),
      );
    }),
  );
});

test("a column too low for its gaps is refused in words", () => {
  expect(() =>
    allotColumn(
      rect(0, 0, 10, 30),
      [
        { key: "a", share: 1 },
        { key: "b", share: 1 },
      ],
      40,
    ),
  ).toThrow("no room for 2 items");
});

test.each([
  ["top", 100],
  ["middle", 310],
  ["bottom", 520],
] as const)("a packed column anchored at the %s begins at %d", (anchor, y) => {
  const places = packColumn(
    area,
    [
      { key: "a", width: 100, height: 80 },
      { key: "b", width: 50, height: 80 },
    ],
    20,
    anchor,
    "start",
  );
  expect([places.a.y, places.b.y]).toEqual([y, y + 100]);
});

test("centred items stand in the middle of the column", () => {
  expect(packColumn(area, [{ key: "a", width: 100, height: 80 }], 20, "top", "centre").a.x).toBe(210);
  expect(packColumn(area, [{ key: "a", width: 100, height: 80 }], 20, "top", "end").a.x).toBe(360);
});
