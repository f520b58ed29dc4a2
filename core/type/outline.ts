import { type Rect, rect } from "../geometry/rect";

/**
 * A filled shape as a flat list of drawing steps: a step code followed by its coordinates (x right, y down).
 * Numbers rather than path text, because two platforms may read the same text to different floats.
 */
export type Outline = readonly number[];

export const STEP = { move: 0, line: 1, quadratic: 2, cubic: 3, close: 4 } as const;
/** How many numbers follow a step, by its code. */
export const COORDINATES: readonly number[] = [2, 2, 4, 6, 0];

/** Calls `visit` for each step with where its coordinates begin in the outline. Throws on an unknown step code. */
export function eachStep(outline: Outline, visit: (step: number, at: number) => void): void {
  let index = 0;
  while (index < outline.length) {
    const length = coordinatesAt(outline, index);
    visit(outline[index] ?? -1, index + 1);
    index += 1 + length;
  }
}

/** How many numbers follow the step at an index. Throws on an unknown step code. */
function coordinatesAt(outline: Outline, index: number): number {
  const step = outline[index] ?? -1;
  const length = COORDINATES[step];
  if (length === undefined) throw new RangeError(`Unknown step ${step} at ${index} of an outline.`);
  return length;
}

/** Appends `outline`, scaled by (`scaleX`, `scaleY`) and then moved by (`dx`, `dy`), to `target`. */
export function appendPlaced(
  target: number[],
  outline: Outline,
  scaleX: number,
  scaleY: number,
  dx: number,
  dy: number,
): void {
  eachStep(outline, (step, at) => {
    target.push(step);
    for (let offset = 0; offset < (COORDINATES[step] ?? 0); offset += 2)
      target.push((outline[at + offset] ?? 0) * scaleX + dx, (outline[at + offset + 1] ?? 0) * scaleY + dy);
  });
}

const boxes = new WeakMap<Outline, Rect | null>();

/** The box around all points of an outline, control points included; null when it has none. Found once for each outline. */
export function outlineBounds(outline: Outline): Rect | null {
  const known = boxes.get(outline);
  if (known !== undefined) return known;
  const box = boxAround(outline);
  boxes.set(outline, box);
  return box;
}

/** Without `eachStep`, which takes two to three times as long: words have thousands of points, and come anew with every key. */
function boxAround(outline: Outline): Rect | null {
  let [left, top, right, bottom] = [Infinity, Infinity, -Infinity, -Infinity];
  let index = 0;
  while (index < outline.length) {
    const end = index + 1 + coordinatesAt(outline, index);
    for (let at = index + 1; at < end; at += 2) {
      const x = outline[at] ?? 0;
      const y = outline[at + 1] ?? 0;
      if (x < left) left = x;
      if (x > right) right = x;
      if (y < top) top = y;
      if (y > bottom) bottom = y;
    }
    index = end;
  }
  return right < left ? null : rect(left, top, right - left, bottom - top);
}

/** A closed polygon through points given as x, y, x, y … */
export function polygon(...coordinates: readonly number[]): Outline {
  const outline: number[] = [];
  for (let index = 0; index < coordinates.length; index += 2)
    outline.push(index === 0 ? STEP.move : STEP.line, coordinates[index] ?? 0, coordinates[index + 1] ?? 0);
  outline.push(STEP.close);
  return outline;
}

export const rectangle = (r: Rect): Outline => {
  const { x, y, width, height } = r;
  return polygon(x, y, x + width, y, x + width, y + height, x, y + height);
};

/** A card with its top right and bottom left corners cut off by `cut`: the workshop's shape. */
export function cutCard(r: Rect, cut: number): Outline {
  const { x, y, width, height } = r;
  return polygon(
    x,
    y,
    x + width - cut,
    y,
    x + width,
    y + cut,
    x + width,
    y + height,
    x + cut,
    y + height,
    x,
    y + height - cut,
  );
}

/** How far control points of a quarter circle lie from its ends, against the radius (cubic approximation of a circle). */
const QUARTER = 0.5522847498;

/** A rectangle with round corners. @param radius no more of it is used than half the shorter side */
export function roundedRect({ x, y, width, height }: Rect, radius: number): Outline {
  const r = Math.min(radius, width / 2, height / 2);
  if (r <= 0) return rectangle({ x, y, width, height });
  const k = r * (1 - QUARTER);
  const [right, foot] = [x + width, y + height];
  return [
    ...[STEP.move, x + r, y, STEP.line, right - r, y],
    ...[STEP.cubic, right - k, y, right, y + k, right, y + r, STEP.line, right, foot - r],
    ...[STEP.cubic, right, foot - k, right - k, foot, right - r, foot, STEP.line, x + r, foot],
    ...[STEP.cubic, x + k, foot, x, foot - k, x, foot - r, STEP.line, x, y + r],
    ...[STEP.cubic, x, y + k, x + k, y, x + r, y, STEP.close],
  ];
}

/** An elliptic hole: it runs the other way round, which what is filled by winding (nonzero) leaves free. */
export function hole({ x, y, width, height }: Rect): Outline {
  const [rx, ry, cx, cy] = [width / 2, height / 2, x + width / 2, y + height / 2];
  const [kx, ky] = [rx * QUARTER, ry * QUARTER];
  return [
    ...[STEP.move, cx - rx, cy, STEP.cubic, cx - rx, cy + ky, cx - kx, cy + ry, cx, cy + ry],
    ...[STEP.cubic, cx + kx, cy + ry, cx + rx, cy + ky, cx + rx, cy],
    ...[STEP.cubic, cx + rx, cy - ky, cx + kx, cy - ry, cx, cy - ry],
    ...[STEP.cubic, cx - kx, cy - ry, cx - rx, cy - ky, cx - rx, cy, STEP.close],
  ];
}

/** An ellipse that touches all four sides of a place. */
export function ellipse({ x, y, width, height }: Rect): Outline {
  const [rx, ry, cx, cy] = [width / 2, height / 2, x + width / 2, y + height / 2];
  const [kx, ky] = [rx * QUARTER, ry * QUARTER];
  return [
    STEP.move,
    cx - rx,
    cy,
    STEP.cubic,
    cx - rx,
    cy - ky,
    cx - kx,
    cy - ry,
    cx,
    cy - ry,
    STEP.cubic,
    cx + kx,
    cy - ry,
    cx + rx,
    cy - ky,
    cx + rx,
    cy,
    STEP.cubic,
    cx + rx,
    cy + ky,
    cx + kx,
    cy + ry,
    cx,
    cy + ry,
    STEP.cubic,
    cx - kx,
    cy + ry,
    cx - rx,
    cy + ky,
    cx - rx,
    cy,
    STEP.close,
  ];
}
