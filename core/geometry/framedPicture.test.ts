import fc from "fast-check";
import { inverse, mapped } from "./affine";
import { type Framing, PLAIN_FRAMING, WAYS, draggedPoint, framedPicture, leastZoomAt } from "./framedPicture";
import { coverPart } from "./framing";
import { type Point, type Rect, contains, rect } from "./rect";

const share = fc.double({ min: 0, max: 1, noNaN: true });
const size = fc
  .record({ width: fc.integer({ min: 100, max: 4000 }), height: fc.integer({ min: 100, max: 4000 }) })
  .filter(({ width, height }) => width / height <= 4 && height / width <= 4);
const anyPlace = fc
  .tuple(size, fc.integer({ min: -200, max: 600 }), fc.integer({ min: -200, max: 600 }))
  .map(([{ width, height }, x, y]) => rect(x, y, width, height));
const anyWindow = fc
  .record({
    x: fc.double({ min: 0, max: 0.6, noNaN: true }),
    y: fc.double({ min: 0, max: 0.6, noNaN: true }),
    width: fc.double({ min: 0.2, max: 0.4, noNaN: true }),
    height: fc.double({ min: 0.2, max: 0.4, noNaN: true }),
  })
  .map(({ x, y, width, height }) => rect(x, y, width, height));
const anyFraming: fc.Arbitrary<Framing> = fc.record({
  way: fc.constantFrom(...WAYS),
  point: fc.option(fc.record({ x: share, y: share })),
  enlarged: fc.double({ min: 1, max: 4, noNaN: true }),
  turned: fc.oneof(fc.constantFrom(0, 90, -90, 180), fc.double({ min: -180, max: 180, noNaN: true })),
  mirrored: fc.boolean(),
  window: fc.option(anyWindow),
  strip: fc.double({ min: 0.2, max: 1, noNaN: true }),
});

/** Which point of the picture is seen at a point of the format, worked out by hand from where it is drawn. */
function sourceAt({ part, place, map }: ReturnType<typeof framedPicture>, at: Point): Point {
  const back = map && inverse(map);
  const { x, y } = back ? mapped(back, at) : at;
  return {
    x: part.x + ((x - place.x) / place.width) * part.width,
    y: part.y + ((y - place.y) / place.height) * part.height,
  };
}
const along = (place: Rect): Point[] =>
  [0, 0.25, 0.5, 0.75, 1].flatMap((x) =>
    [0, 0.25, 0.5, 0.75, 1].map((y) => ({ x: place.x + x * place.width, y: place.y + y * place.height })),
  );

test("what fills its place shows the picture at every point of it, at every angle, size, window and shape", () => {
  fc.assert(
    fc.property(size, anyPlace, anyFraming, (picture, place, any) => {
      const framing = { ...any, way: "fill" } as const;
      const framed = framedPicture(picture, place, framing);
      const { x = 0, y = 0, width = 1, height = 1 } = framing.window ?? {};
      const used = rect(x * picture.width, y * picture.height, width * picture.width, height * picture.height);
      for (const at of along(place)) {
        const { x: px, y: py } = sourceAt(framed, at);
        expect(contains(used, rect(px, py, 0, 0), 1e-6 * Math.max(picture.width, picture.height))).toBe(true);
      }
      expect(framed.bars).toEqual({ top: 0, right: 0, bottom: 0, left: 0 });
    }),
    { numRuns: 400 },
  );
});

test("nothing is ever stretched: a pixel is as wide as it is high", () => {
  fc.assert(
    fc.property(size, anyPlace, anyFraming, (picture, place, framing) => {
      const { part, place: drawn, scale } = framedPicture(picture, place, framing);
      expect(drawn.width / part.width).toBeCloseTo(drawn.height / part.height, 9);
      expect(drawn.width / part.width).toBeCloseTo(scale, 9);
    }),
    { numRuns: 400 },
  );
});

test("what is whole lies wholly in its place, and its bars and it add up to the place", () => {
  fc.assert(
    fc.property(size, anyPlace, anyFraming, (picture, place, any) => {
      const framing = { ...any, way: "whole", enlarged: 1, window: null } as const;
      const { lost, bars, clip } = framedPicture(picture, place, framing);
      expect(lost).toBeCloseTo(0, 9);
      expect(clip).toBeNull();
      expect(Math.min(bars.top + bars.bottom, bars.left + bars.right)).toBeLessThan(1e-6);
    }),
    { numRuns: 300 },
  );
});

test("the share that is lost is the share of the picture's pixels that cannot be seen", () => {
  fc.assert(
    fc.property(size, anyPlace, anyFraming, (picture, place, framing) => {
      const framed = framedPicture(picture, place, framing);
      const { map, part, place: drawn, clip } = framed;
      // Counted: of a grid over the picture, those whose middle is drawn and not cut away.
      const steps = 60;
      let seen = 0;
      for (let row = 0; row < steps; row++)
        for (let column = 0; column < steps; column++) {
          const source = {
            x: ((column + 0.5) / steps) * picture.width,
            y: ((row + 0.5) / steps) * picture.height,
          };
          if (!contains(part, rect(source.x, source.y, 0, 0))) continue;
          const at = {
            x: drawn.x + ((source.x - part.x) / part.width) * drawn.width,
            y: drawn.y + ((source.y - part.y) / part.height) * drawn.height,
          };
          const shown = map ? mapped(map, at) : at;
          if (clip === null || contains(clip, rect(shown.x, shown.y, 0, 0))) seen++;
        }
      expect(Math.abs(1 - seen / steps ** 2 - framed.lost)).toBeLessThan(0.06);
    }),
    { numRuns: 120 },
  );
});

test("the focal point stays in what is seen, however the picture is turned and mirrored", () => {
  fc.assert(
    fc.property(size, anyPlace, anyFraming, fc.record({ x: share, y: share }), (picture, place, any, focal) => {
      // At an angle the box around the place is what is kept in the picture, so only quarter turns reach the corners.
      const turned = Math.round(any.turned / 90) * 90;
      const framed = framedPicture(
        picture,
        place,
        { ...any, way: "fill", window: null, point: null, turned },
        { focal },
      );
      const { part } = framed;
      expect(contains(part, rect(focal.x * picture.width, focal.y * picture.height, 0, 0), 1e-3)).toBe(true);
    }),
    { numRuns: 300 },
  );
});

test("the least zoom for an angle is reached and no more: one per cent less would leave a gap", () => {
  fc.assert(
    fc.property(size, size, fc.double({ min: 1, max: 89, noNaN: true }), (picture, place, degrees) => {
      const least = leastZoomAt(picture, place, degrees);
      const upright = Math.max(place.width / picture.width, place.height / picture.height);
      const [sin, cos] = [Math.sin((degrees * Math.PI) / 180), Math.cos((degrees * Math.PI) / 180)];
      // The corners of the place, turned back about the middle of the picture, in pixels of the picture.
      const reaches = (zoom: number): boolean =>
        [1, -1].every((side) => {
          const [x, y] = [place.width / 2, (side * place.height) / 2];
          const across = Math.abs(x * cos + y * sin) / (upright * zoom);
          const down = Math.abs(-x * sin + y * cos) / (upright * zoom);
          return across <= picture.width / 2 + 1e-6 && down <= picture.height / 2 + 1e-6;
        });
      expect(reaches(least)).toBe(true);
      expect(reaches(least * 0.99)).toBe(false);
    }),
    { numRuns: 300 },
  );
});

test("a whole 16:9 clip in a square has bars of 236.25 and is shown at 56.25 % (common practice)", () => {
  const square = rect(0, 0, 1080, 1080);
  const whole = framedPicture({ width: 1920, height: 1080 }, square, { ...PLAIN_FRAMING, way: "whole" });
  expect(whole).toMatchObject({ scale: 0.5625, lost: 0, bars: { top: 236.25, bottom: 236.25, left: 0, right: 0 } });
  const atTop = { ...PLAIN_FRAMING, way: "whole", point: { x: 0.5, y: 0 } } as const;
  expect(framedPicture({ width: 1920, height: 1080 }, square, atTop).bars).toMatchObject({ top: 0, bottom: 472.5 });
});

test("a strip lies across its place; a quarter turn changes the sides of a picture over", () => {
  const tall = rect(0, 0, 1080, 1920);
  const strip = framedPicture({ width: 1600, height: 900 }, tall, { ...PLAIN_FRAMING, way: "strip", strip: 0.25 });
  expect(strip.bars).toEqual({ top: 720, bottom: 720, left: 0, right: 0 });
  const turned = framedPicture({ width: 1600, height: 900 }, tall, { ...PLAIN_FRAMING, turned: 90 });
  expect(turned.scale).toBeCloseTo(1.2, 9);
  expect(turned.lost).toBeCloseTo(0, 9);
});

test("what is not framed at all is cut as a cover always was", () => {
  fc.assert(
    fc.property(size, anyPlace, fc.record({ x: share, y: share }), (picture, place, focal) => {
      const framed = framedPicture(picture, place, PLAIN_FRAMING, { focal });
      expect(framed).toMatchObject({ part: coverPart(picture, place, focal), place, map: null, clip: null });
    }),
  );
});

test("a dragged picture follows the hand, turned and mirrored as it is: what was under the hand still is, until its edge", () => {
  const by = fc.record({ x: fc.integer({ min: -60, max: 60 }), y: fc.integer({ min: -60, max: 60 }) });
  fc.assert(
    fc.property(size, anyPlace, anyFraming, by, (picture, place, any, by) => {
      // Room on every side: the picture is twice as large as it must be.
      const framing = { ...any, way: "fill", window: null, point: { x: 0.5, y: 0.5 }, enlarged: 3 } as const;
      const before = framedPicture(picture, place, framing);
      const after = framedPicture(picture, place, { ...framing, point: draggedPoint(picture, place, framing, { by }) });
      const hand = { x: place.x + place.width / 2, y: place.y + place.height / 2 };
      const held = sourceAt(before, hand);
      const now = sourceAt(after, { x: hand.x + by.x, y: hand.y + by.y });
      expect(now.x).toBeCloseTo(held.x, 4);
      expect(now.y).toBeCloseTo(held.y, 4);
    }),
    { numRuns: 200 },
  );
});
