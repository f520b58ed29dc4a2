import { flattened } from "./flattened";
import { type Outline, STEP, ellipse, eachStep, polygon } from "./outline";
import { rect } from "../geometry/rect";

function pointsOf(outline: Outline): (readonly [number, number])[] {
  const points: (readonly [number, number])[] = [];
  eachStep(outline, (step, at) => {
    if (step !== STEP.close) points.push([outline[at] ?? 0, outline[at + 1] ?? 0]);
  });
  return points;
}

test("lines stay as they are", () => {
  const card = polygon(0, 0, 100, 0, 50, 80);
  expect(flattened(card)).toEqual(card);
});

test("an ellipse becomes lines whose corners and middles all lie within a twentieth of a unit of the true ellipse", () => {
  const [a, b] = [300, 120];
  const points = pointsOf(flattened(ellipse(rect(-a, -b, 2 * a, 2 * b))));
  const all = points.flatMap(([x, y], at) => {
    const [fromX, fromY] = points[at - 1] ?? [x, y];
    return [
      [x, y],
      [(x + fromX) / 2, (y + fromY) / 2],
    ] as const;
  });
  // A cubic itself misses a circle by 0.027 % of its radius.
  for (const [x, y] of all) expect(Math.abs(Math.hypot(x / a, y / b) - 1) * a).toBeLessThan(0.05 + 0.00028 * a);
  expect(points.length).toBeGreaterThan(40);
  expect(points.length).toBeLessThan(400);
});

test("a quadratic curve goes through the middle of its parabola and ends where it ended; the next step goes on from there", () => {
  const points = pointsOf(flattened([STEP.move, 0, 0, STEP.quadratic, 50, 100, 100, 0, STEP.line, 0, 0, STEP.close]));
  expect(points.at(-1)).toEqual([0, 0]);
  expect(points.at(-2)).toEqual([100, 0]);
  const highest = Math.max(...points.map(([, y]) => y));
  expect(highest).toBeGreaterThan(49.98);
  expect(highest).toBeLessThanOrEqual(50);
});
