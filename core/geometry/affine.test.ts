import fc from "fast-check";
import { type Affine, after, boundsOf, inverse, leastScale, mapped, scaling, translation, turning } from "./affine";
import { type Point, contains, rect } from "./rect";

const number = fc.double({ min: -2000, max: 2000, noNaN: true });
const anyPoint = fc.record({ x: number, y: number });
const factor = fc.oneof(fc.double({ min: 0.05, max: 8, noNaN: true }), fc.double({ min: -8, max: -0.05, noNaN: true }));
const anyMap: fc.Arbitrary<Affine> = fc
  .tuple(factor, factor, anyPoint, fc.integer({ min: -720, max: 720 }), anyPoint, number, number)
  .map(([x, y, about, degrees, pivot, dx, dy]) =>
    after(translation(dx, dy), after(turning(degrees, pivot), scaling(x, y, about))),
  );
const near = (found: Point, wanted: Point, slack: number): void => {
  expect(Math.abs(found.x - wanted.x)).toBeLessThanOrEqual(slack);
  expect(Math.abs(found.y - wanted.y)).toBeLessThanOrEqual(slack);
};

// Source: CSS Transforms 1, "rotate() specifies a 2D rotation by the angle": clockwise, since y goes down.
test.each([
  [0, 10, 0],
  [90, 0, 10],
  [180, -10, 0],
  [270, 0, -10],
  [360, 10, 0],
  [-90, 0, -10],
  [450, 0, 10],
])("a turn by %d° about the origin takes (10, 0) to (%d, %d), to the last bit", (degrees, x, y) => {
  const { x: atX, y: atY } = mapped(turning(degrees, { x: 0, y: 0 }), { x: 10, y: 0 });
  expect([atX + 0, atY + 0]).toEqual([x + 0, y + 0]);
});

test("turning and scaling leave their point where it is", () => {
  fc.assert(
    fc.property(anyPoint, fc.double({ min: -720, max: 720, noNaN: true }), factor, factor, (about, degrees, x, y) => {
      near(mapped(turning(degrees, about), about), about, 1e-8);
      near(mapped(scaling(x, y, about), about), about, 1e-8);
    }),
  );
});

test("one map after another is the one map of both", () => {
  fc.assert(
    fc.property(anyMap, anyMap, anyPoint, (outer, inner, point) => {
      near(mapped(after(outer, inner), point), mapped(outer, mapped(inner, point)), 1e-4);
    }),
  );
});

test("the map back brings every point back; what falls on a line has none", () => {
  fc.assert(
    fc.property(anyMap, anyPoint, (map, point) => near(mapped(inverse(map)!, mapped(map, point)), point, 1e-4)),
  );
  expect(inverse(scaling(0, 1, { x: 3, y: 4 }))).toBeNull();
  expect(inverse({ a: 1, b: 2, c: 2, d: 4, e: 5, f: 6 })).toBeNull();
});

test("every point of a rectangle lies in the box around where it is mapped to, and its corners touch the box", () => {
  fc.assert(
    fc.property(
      anyMap,
      anyPoint,
      fc.nat(900),
      fc.nat(900),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (map, at, w, h, share) => {
        const place = rect(at.x, at.y, w, h);
        const box = boundsOf(map, place);
        const { x, y } = mapped(map, { x: at.x + w * share, y: at.y + h * (1 - share) });
        expect(contains(box, rect(x, y, 0, 0), 1e-4)).toBe(true);
      },
    ),
  );
});

test("no length is drawn smaller than the least scale, and some is drawn at it", () => {
  fc.assert(
    fc.property(anyMap, (map) => {
      const least = leastScale(map);
      const lengths = Array.from({ length: 3600 }, (_, step) => {
        const angle = (step * Math.PI) / 3600;
        const { a, b, c, d } = map;
        const [x, y] = [Math.cos(angle), Math.sin(angle)];
        return Math.hypot(a * x + c * y, b * x + d * y);
      });
      expect(Math.min(...lengths)).toBeGreaterThanOrEqual(least - 1e-6);
      expect(Math.min(...lengths)).toBeLessThanOrEqual(least + 0.01);
    }),
  );
});
