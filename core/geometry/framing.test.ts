import fc from "fast-check";
import { containPlace, coverPart } from "./framing";
import { contains, rect } from "./rect";

const shape = fc
  .record({ width: fc.integer({ min: 100, max: 4000 }), height: fc.integer({ min: 100, max: 4000 }) })
  .filter(({ width, height }) => width / height <= 4 && height / width <= 4);
const focal = fc.record({
  x: fc.double({ min: 0, max: 1, noNaN: true }),
  y: fc.double({ min: 0, max: 1, noNaN: true }),
});

test("a whole 16:9 picture in a square is scaled to 56.25 % with bars of 236.25 (common practice)", () => {
  expect(containPlace({ width: 1920, height: 1080 }, rect(0, 0, 1080, 1080))).toEqual(rect(0, 236.25, 1080, 607.5));
});

test("a cover leaves no gap and keeps the shape, wherever the focal point is", () => {
  fc.assert(
    fc.property(shape, shape, focal, fc.double({ min: 1, max: 3, noNaN: true }), (picture, frame, point, zoom) => {
      const part = coverPart(picture, frame, point, zoom);
      expect(contains(rect(0, 0, picture.width, picture.height), part)).toBe(true);
      expect(part.width / part.height).toBeCloseTo(frame.width / frame.height, 6);
    }),
  );
});

test("the focal point stays in the part that is shown", () => {
  fc.assert(
    fc.property(shape, shape, focal, (picture, frame, point) => {
      const part = coverPart(picture, frame, point);
      expect(contains(part, rect(point.x * picture.width, point.y * picture.height, 0, 0), 1e-3)).toBe(true);
    }),
  );
});

test("a picture without a size is refused in words", () => {
  expect(() => coverPart({ width: 0, height: 10 }, { width: 1, height: 1 })).toThrow("width and a height above 0");
});
