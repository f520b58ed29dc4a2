import fc from "fast-check";
import { type Rect, type Size } from "../geometry/rect";
import { NAMED_FORMATS, USUAL_FORMATS, formatOf, isFormatName } from "./formats";
import { type WallSpace, hang } from "./wall";

/** What the desk has beside the sheet on a small screen. */
const SPACE: WallSpace = { width: 592, height: 598, gap: 18, label: 26 };
const anyShape = fc.double({ min: 1 / 3, max: 3, noNaN: true }).map((ratio): Size => ({ width: ratio, height: 1 }));
const farthest = ({ x, width }: Rect): number => x + width;
const lowest = ({ y, height }: Rect): number => y + height;

test("every picture keeps its shape, lies inside with room for its label, and touches no other", () => {
  fc.assert(
    fc.property(
      fc.array(anyShape, { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 500, max: 1400 }),
      fc.integer({ min: 500, max: 1000 }),
      (shapes, width, height) => {
        const places = hang(shapes, { ...SPACE, width, height });
        expect(places).toHaveLength(shapes.length);
        places.forEach((place, index) => {
          const shape = shapes[index];
          expect(place.width / place.height).toBeCloseTo((shape?.width ?? 0) / (shape?.height ?? 1), 6);
          expect(place.x).toBeGreaterThan(-1e-6);
          expect(farthest(place)).toBeLessThan(width + 1e-6);
          expect(place.y).toBeGreaterThan(SPACE.label - 1e-6);
          expect(lowest(place)).toBeLessThan(height + 1e-6);
          for (const other of places.slice(index + 1)) {
            const apart =
              farthest(place) + SPACE.gap <= other.x + 1e-6 ||
              farthest(other) + SPACE.gap <= place.x + 1e-6 ||
              lowest(place) + SPACE.gap + SPACE.label <= other.y + 1e-6 ||
              lowest(other) + SPACE.gap + SPACE.label <= place.y + 1e-6;
            expect(apart).toBe(true);
          }
        });
      },
    ),
  );
});

test("the usual three hang as the tall one beside the other two, ending level", () => {
  const [square, vertical, widescreen] = hang(USUAL_FORMATS.map(formatOf), SPACE) as [Rect, Rect, Rect];
  expect(farthest(vertical)).toBeLessThan(square.x);
  expect(square.x).toBeCloseTo(widescreen.x);
  expect(square.width).toBeCloseTo(widescreen.width);
  expect(lowest(square)).toBeLessThan(widescreen.y);
  expect(lowest(vertical)).toBeCloseTo(lowest(widescreen));
});

test("one more format leaves none of them small", () => {
  const places = hang([...NAMED_FORMATS.map(formatOf), { width: 5, height: 7 }], SPACE);
  for (const { width, height } of places) expect(Math.sqrt(width * height)).toBeGreaterThan(130);
});

test("no room is no fault, and nothing hangs on an empty wall", () => {
  expect(hang([{ width: 1, height: 1 }], { ...SPACE, width: 0, height: 0 })).toHaveLength(1);
  expect(hang([], SPACE)).toEqual([]);
});

test.each([
  ["square", true],
  ["portrait", true],
  ["5x7", true],
  ["3x1", true],
  ["10x14", false],
  ["1x1", false],
  ["16x9", false],
  ["4x1", false],
  ["0x7", false],
  ["05x7", false],
  ["5:7", false],
  ["__proto__", false],
  [5, false],
])("%s names a format: %s", (value, is) => {
  expect(isFormatName(value)).toBe(is);
});
