/** Rectangles in design units (see placement/formats.ts): x to the right, y down. */
export interface Point {
  readonly x: number;
  readonly y: number;
}
export interface Size {
  readonly width: number;
  readonly height: number;
}
export interface Rect extends Point, Size {}

export interface Insets {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

export const rect = (x: number, y: number, width: number, height: number): Rect => ({ x, y, width, height });
/** What is left free at which side, the sides where nothing is left out. */
export const freeSides = (insets: Insets): { readonly side: keyof Insets; readonly length: number }[] =>
  (["top", "right", "bottom", "left"] as const)
    .map((side) => ({ side, length: insets[side] }))
    .filter(({ length }) => length > 0);

export const right = (r: Rect): number => r.x + r.width;
export const bottom = (r: Rect): number => r.y + r.height;
export const wholeOf = (size: Size): Rect => rect(0, 0, size.width, size.height);

export const centreOf = ({ x, y, width, height }: Rect): Point => ({ x: x + width / 2, y: y + height / 2 });

/** The rectangle inside `r` after taking `insets` off its edges. Never smaller than nothing. */
export function inset(r: Rect, insets: Insets): Rect {
  return rect(
    r.x + insets.left,
    r.y + insets.top,
    Math.max(0, r.width - insets.left - insets.right),
    Math.max(0, r.height - insets.top - insets.bottom),
  );
}

export const evenInsets = (amount: number): Insets => ({ top: amount, right: amount, bottom: amount, left: amount });

/** Whether `inner` lies within `outer`, allowing `slack` design units for floating point. */
export function contains(outer: Rect, inner: Rect, slack = 1e-6): boolean {
  return (
    inner.x >= outer.x - slack &&
    inner.y >= outer.y - slack &&
    right(inner) <= right(outer) + slack &&
    bottom(inner) <= bottom(outer) + slack
  );
}

/** Whether two rectangles share an area (touching edges do not count). */
export function overlaps(a: Rect, b: Rect, slack = 1e-6): boolean {
  return a.x < right(b) - slack && b.x < right(a) - slack && a.y < bottom(b) - slack && b.y < bottom(a) - slack;
}

/** The smallest rectangle around both. */
export function union(a: Rect, b: Rect): Rect {
  const x = Math.min(a.x, b.x);
  const y = Math.min(a.y, b.y);
  return rect(x, y, Math.max(right(a), right(b)) - x, Math.max(bottom(a), bottom(b)) - y);
}

/** The smallest rectangle around all; null around none. */
export function unionOf(all: readonly Rect[]): Rect | null {
  const [first, ...others] = all;
  return first ? others.reduce(union, first) : null;
}

/** Where two rectangles lie over each other; null where they share no area. */
export function intersection(a: Rect, b: Rect): Rect | null {
  const [x, y] = [Math.max(a.x, b.x), Math.max(a.y, b.y)];
  const [width, height] = [Math.min(right(a), right(b)) - x, Math.min(bottom(a), bottom(b)) - y];
  return width > 0 && height > 0 ? rect(x, y, width, height) : null;
}

/** What is left of a rectangle that another lies over: null where nothing is, all of it where that would be no rectangle. */
export function leftBeside(cover: Rect, r: Rect): Rect | null {
  const common = intersection(cover, r);
  if (!common) return r;
  const [before, after] = [common.x - r.x, right(r) - right(common)];
  const [above, below] = [common.y - r.y, bottom(r) - bottom(common)];
  if (before > 0 || after > 0) {
    if (above > 0 || below > 0 || (before > 0 && after > 0)) return r;
    return rect(before > 0 ? r.x : right(common), r.y, before + after, r.height);
  }
  if (above > 0 && below > 0) return r;
  return above + below > 0 ? rect(r.x, above > 0 ? r.y : bottom(common), r.width, above + below) : null;
}

/** How much of a rectangle lies in another: 0 to 1, and 0 where it has no area. */
export function shareIn(other: Rect, r: Rect): number {
  const common = intersection(other, r);
  return common ? (common.width * common.height) / (r.width * r.height) : 0;
}
