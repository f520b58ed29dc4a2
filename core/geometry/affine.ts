import { type Point, type Rect, bottom, rect, right } from "./rect";

/**
 * An affine map of the plane, as SVG and CSS write it: `matrix(a, b, c, d, e, f)` takes (x, y) to
 * (a·x + c·y + e, b·x + d·y + f).
 */
export interface Affine {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

export const translation = (dx: number, dy: number): Affine => ({ a: 1, b: 0, c: 0, d: 1, e: dx, f: dy });

/** Scales about a point that stays where it is; a factor below 0 mirrors. */
export const scaling = (x: number, y: number, about: Point): Affine => ({
  a: x,
  b: 0,
  c: 0,
  d: y,
  e: about.x - x * about.x,
  f: about.y - y * about.y,
});

/** Turns about a point, clockwise on screen (y goes down). Quarter turns are exact. @param degrees any number */
export function turning(degrees: number, about: Point): Affine {
  const [cos, sin] = cosAndSin(degrees);
  return {
    a: cos,
    b: sin,
    c: -sin,
    d: cos,
    e: about.x - cos * about.x + sin * about.y,
    f: about.y - sin * about.x - cos * about.y,
  };
}

const QUARTERS: readonly (readonly [cos: number, sin: number])[] = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
];

function cosAndSin(degrees: number): readonly [cos: number, sin: number] {
  const turn = ((degrees % 360) + 360) % 360;
  const radians = (turn * Math.PI) / 180;
  return QUARTERS[turn / 90] ?? [Math.cos(radians), Math.sin(radians)];
}

/** One map after another: `inner` first. */
export const after = (outer: Affine, inner: Affine): Affine => ({
  a: outer.a * inner.a + outer.c * inner.b,
  b: outer.b * inner.a + outer.d * inner.b,
  c: outer.a * inner.c + outer.c * inner.d,
  d: outer.b * inner.c + outer.d * inner.d,
  e: outer.a * inner.e + outer.c * inner.f + outer.e,
  f: outer.b * inner.e + outer.d * inner.f + outer.f,
});

export const mapped = ({ a, b, c, d, e, f }: Affine, { x, y }: Point): Point => ({
  x: a * x + c * y + e,
  y: b * x + d * y + f,
});

/** The map back. Null where everything falls on one line. */
export function inverse({ a, b, c, d, e, f }: Affine): Affine | null {
  const area = a * d - b * c;
  if (area === 0 || !Number.isFinite(area)) return null;
  return {
    a: d / area,
    b: -b / area,
    c: -c / area,
    d: a / area,
    e: (c * f - d * e) / area,
    f: (b * e - a * f) / area,
  };
}

/** The upright box around a mapped rectangle. */
export function boundsOf(map: Affine, place: Rect): Rect {
  const corners = [
    { x: place.x, y: place.y },
    { x: right(place), y: place.y },
    { x: place.x, y: bottom(place) },
    { x: right(place), y: bottom(place) },
  ].map((corner) => mapped(map, corner));
  const xs = corners.map(({ x }) => x);
  const ys = corners.map(({ y }) => y);
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  return rect(left, top, Math.max(...xs) - left, Math.max(...ys) - top);
}

/** How small a map draws a length at the least: its smaller singular value. Turned and scaled evenly, that is its scale. */
export function leastScale({ a, b, c, d }: Affine): number {
  // The singular values of a 2 × 2 matrix in closed form: half the sum and difference of two lengths.
  const [sum, difference] = [Math.hypot(a + d, b - c), Math.hypot(a - d, b + c)];
  return Math.abs(sum - difference) / 2;
}
