import { type Point, type Rect, bottom, right } from "./rect";

/** A convex polygon cut by a rectangle (Sutherland and Hodgman, 1974). */
export function cutToRect(polygon: readonly Point[], place: Rect): Point[] {
  const sides: readonly ((point: Point) => number)[] = [
    ({ x }) => x - place.x,
    ({ x }) => right(place) - x,
    ({ y }) => y - place.y,
    ({ y }) => bottom(place) - y,
  ];
  return sides.reduce<Point[]>((corners, inside) => cutBySide(corners, inside), [...polygon]);
}

/** @param inside how far a point is on the side that is kept; below 0 on the other */
function cutBySide(corners: readonly Point[], inside: (point: Point) => number): Point[] {
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
