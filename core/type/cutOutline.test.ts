import { type Point, rect } from "../geometry/rect";
import { cutOutline } from "./cutOutline";
import { ellipse, hole, outlineBounds, polygon, rectangle } from "./outline";

const leftOf =
  (most: number) =>
  ({ x }: Point): number =>
    most - x;
const rightOf =
  (least: number) =>
  ({ x }: Point): number =>
    x - least;

test("a rectangle is cut by a slanted line where the line meets it", () => {
  const below = ({ x, y }: Point): number => y - x + 5;
  const cut = cutOutline(rectangle(rect(0, 0, 10, 10)), [below]);
  expect(cut).toEqual(polygon(0, 0, 5, 0, 10, 5, 10, 10, 0, 10));
});

test("a ring keeps its hole, each cut by itself; what lies outside is gone", () => {
  const ring = [...ellipse(rect(0, 0, 100, 100)), ...hole(rect(25, 25, 50, 50)), ...rectangle(rect(200, 0, 10, 10))];
  const cut = cutOutline(ring, [leftOf(50)]);
  expect(outlineBounds(cut)).toEqual(rect(0, 0, 50, 100));
  expect(cut.filter((value) => Number.isNaN(value))).toEqual([]);
  // Two rings begin.
  let begun = 0;
  for (let at = 0; at < cut.length; at += cut[at] === 4 ? 1 : 3) begun += cut[at] === 0 ? 1 : 0;
  expect(begun).toBe(2);
});

test("nothing is left of what lies on the other side, or between two lines that face away from each other", () => {
  expect(cutOutline(rectangle(rect(0, 0, 10, 10)), [rightOf(20)])).toEqual([]);
  expect(cutOutline(ellipse(rect(0, 0, 10, 10)), [leftOf(2), rightOf(8)])).toEqual([]);
});
