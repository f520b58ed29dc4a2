import { type Point, type Rect, bottom, right } from "./rect";

/** How far a point is on the side of a line that is kept; below 0 on the other. Linear in the point. */
export type Side = (point: Point) => number;

/** A convex polygon cut by a rectangle. */
export const cutToRect = (polygon: readonly Point[], place: Rect): Point[] =>
  cutBySides(polygon, [
    ({ x }) => x - place.x,
    ({ x }) => right(place) - x,
    ({ y }) => y - place.y,
    ({ y }) => bottom(place) - y,
  ]);

/**
 * What of a polygon is on the kept side of all lines (Sutherland and Hodgman, 1974). One that is not convex may come out
 * with edges that run along a line and back again, which add nothing to what is filled.
 */
export const cutBySides = (polygon: readonly Point[], sides: readonly Side[]): Point[] =>
  sides.reduce<Point[]>(cutBySide, [...polygon]);

function cutBySide(corners: readonly Point[], inside: Side): Point[] {
  return corners.flatMap((corner, index): Point[] => {
    const next = corners[(index + 1) % corners.length] ?? corner;
    const [here, there] = [inside(corner), inside(next)];
    const kept = here >= 0 ? [corner] : [];
    if (here >= 0 === there >= 0) return kept;
    const share = here / (here - there);
    return [...kept, { x: corner.x + (next.x - corner.x) * share, y: corner.y + (next.y - corner.y) * share }];
  });
}

/** The area of a polygon by its corners (the shoelace formula). */
export function areaOf(polygon: readonly Point[]): number {
  const twice = polygon.reduce((sum, { x, y }, index) => {
    const next = polygon[(index + 1) % polygon.length] ?? { x, y };
    return sum + x * next.y - next.x * y;
  }, 0);
  return Math.abs(twice) / 2;
}
