import fc from "fast-check";
import { FORMATS, FORMAT_NAMES, safeArea } from "../placement/formats";
import { ARRANGEMENTS } from "../document/template";
import { arrange } from "./arrangement";
import { RHYTHM, allotColumn, packColumn } from "./column";
import { bottom, contains, overlaps, rect, right, wholeOf } from "./rect";

const area = rect(60, 100, 400, 600);
const item = fc.record({ share: fc.double({ min: 0.1, max: 5, noNaN: true }) });

test("boxes share the height by their parts, one under the other with the gap between", () => {
  const boxes = allotColumn(area, [{ key: "a", share: 1 }, { key: "b", share: 3 }], 20);
  expect(boxes).toEqual({ a: rect(60, 100, 400, 145), b: rect(60, 265, 400, 435) });
});

test("any column of items fills its area exactly and none overlap", () => {
  fc.assert(
    fc.property(fc.array(item, { minLength: 1, maxLength: 6 }), fc.integer({ min: 0, max: 40 }), (items, gap) => {
      const boxes = Object.values(allotColumn(area, items.map(({ share }, index) => ({ key: String(index), share })), gap));
      expect(Math.max(...boxes.map(bottom))).toBeCloseTo(bottom(area), 6);
      boxes.forEach((box, index) => boxes.slice(index + 1).forEach((other) => expect(overlaps(box, other)).toBe(false)));
    }),
  );
});

test("a column too low for its gaps is refused in words", () => {
  expect(() => allotColumn(rect(0, 0, 10, 30), [{ key: "a", share: 1 }, { key: "b", share: 1 }], 40)).toThrow("no room for 2 items");
});

test.each([["top", 100], ["middle", 310], ["bottom", 520]] as const)("a packed column anchored at the %s begins at %d", (anchor, y) => {
  const places = packColumn(area, [{ key: "a", width: 100, height: 80 }, { key: "b", width: 50, height: 80 }], 20, anchor, "start");
  expect([places["a"]?.y, places["b"]?.y]).toEqual([y, y + 100]);
});

test("centred items stand in the middle of the column", () => {
  expect(packColumn(area, [{ key: "a", width: 100, height: 80 }], 20, "top", "centre")["a"]?.x).toBe(210);
});

describe.each(ARRANGEMENTS)("%s", (name) => {
  test.each(FORMAT_NAMES)("in %s: words inside the safe area, picture and panel fill the format without overlapping", (format) => {
    const { column, picture, panel, logo } = arrange(name, FORMATS[format]);
    const safe = safeArea(FORMATS[format]);
    expect(contains(safe, column)).toBe(true);
    if (logo) {
      expect(contains(safe, logo)).toBe(true);
      expect(overlaps(logo, column)).toBe(false);
    }
    const whole = wholeOf(FORMATS[format]);
    if (!panel) return expect(picture).toEqual(whole);
    expect(overlaps(picture, panel)).toBe(false);
    expect(picture.width * picture.height + panel.width * panel.height).toBe(whole.width * whole.height);
    expect(contains(panel, column)).toBe(true);
  });

  test("gaps and divisions lie on the rhythm", () => {
    for (const format of FORMAT_NAMES) {
      const { gap, picture } = arrange(name, FORMATS[format]);
      expect(gap % RHYTHM).toBe(0);
      const inner = picture.x > 0 ? picture.x : bottom(picture) < FORMATS[format].height ? bottom(picture) : right(picture) < FORMATS[format].width ? right(picture) : 0;
      expect(inner % RHYTHM).toBe(0);
    }
  });
});
