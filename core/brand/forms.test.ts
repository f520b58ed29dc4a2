import fc from "fast-check";
import { type Rect, rect } from "../geometry/rect";
import { type Outline, eachStep, outlineBounds } from "../type/outline";
import { defined } from "../testing/defined";
import { FORMS, formAround } from "./forms";

/** Whether a point lies in a polygon: by how often a ray from it crosses the edge. */
function holds(outline: Outline, x: number, y: number): boolean {
  const points: [number, number][] = [];
  eachStep(outline, (_, at) => {
    const [px, py] = [outline[at], outline[at + 1]];
    if (px !== undefined && py !== undefined && points.length < outline.length / 3) points.push([px, py]);
  });
  let inside = false;
  points.forEach(([ax, ay], at) => {
    const [bx, by] = points[(at + 1) % points.length] ?? [ax, ay];
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  });
  return inside;
}
/** Its corners, a thousandth of its sides inwards. */
const cornersIn = ({ x, y, width, height }: Rect): [number, number][] =>
  [0.001, 0.999].flatMap((across) =>
    [0.001, 0.999].map((down): [number, number] => [x + width * across, y + height * down]),
  );

const side = fc.integer({ min: 40, max: 2000 });
const place = fc
  .tuple(fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }), side, side)
  .map(([x, y, width, height]) => rect(x, y, width, height));

test.each(FORMS)("a %s grows from the middle of any place until it covers it whole", (form) => {
  fc.assert(
    fc.property(place, (whole) => {
      const full = formAround(form, whole, 1);
      for (const [x, y] of cornersIn(whole)) expect(holds(full, x, y)).toBe(true);
      // No larger than it must be: a little earlier a corner is still out.
      const before = formAround(form, whole, 0.97);
      expect(cornersIn(whole).every(([x, y]) => holds(before, x, y))).toBe(false);
      const half = defined(outlineBounds(formAround(form, whole, 0.5)));
      const bounds = defined(outlineBounds(full));
      expect(half.width).toBeCloseTo(bounds.width / 2, 6);
      expect(holds(formAround(form, whole, 0.1), whole.x + whole.width / 2, whole.y + whole.height / 2)).toBe(true);
    }),
    { numRuns: 40 },
  );
});

test("no two forms are the same, and each stays the same however large it is, but for the card", () => {
  const whole = rect(0, 0, 1080, 1920);
  const outlines = FORMS.map((form) => JSON.stringify(formAround(form, whole, 0.5)));
  expect(new Set(outlines).size).toBe(FORMS.length);
  for (const form of FORMS.filter((one) => one !== "cut card")) {
    const [tall, wide] = [whole, rect(0, 0, 1920, 1080)].map((one) => defined(outlineBounds(formAround(form, one, 1))));
    expect(defined(tall).width / defined(tall).height).toBeCloseTo(defined(wide).width / defined(wide).height, 9);
  }
});
