import { type Rect, type Size, bottom, rect, right } from "../geometry/rect";
import { LEAST_SIDE } from "./leastSide";

/** Which edges of a rectangle are being dragged: none of them for moving it as a whole. */
export interface DraggedEdges {
  readonly across: "start" | "end" | null;
  readonly down: "start" | "end" | null;
}
export const WHOLE: DraggedEdges = { across: null, down: null };

/** Why a line pulls. In this order when two are equally near. */
export const GUIDE_KINDS = ["safe area", "edge", "centre", "neighbour", "equal gap"] as const;
export type GuideKind = (typeof GUIDE_KINDS)[number];

/** A line that a rectangle came to stand on. Design units. */
export interface Guide {
  readonly kind: GuideKind;
  /** A line of one x (`across`) or of one y (`down`). */
  readonly axis: "across" | "down";
  readonly at: number;
}

/** What a rectangle can snap to. */
export interface Surroundings {
  readonly shape: Size;
  /** The safe area. */
  readonly safe: Rect;
  /** The places of the other things of the scene. */
  readonly others: readonly Rect[];
}

export interface Snapped {
  readonly place: Rect;
  readonly guides: readonly Guide[];
}

/** One axis of a rectangle: where it starts and ends. */
interface Stretch {
  readonly start: number;
  readonly end: number;
}
interface Line {
  readonly at: number;
  readonly kind: GuideKind;
  /** Only for a start, an end or a middle; for any of them when absent. */
  readonly only?: "start" | "end" | "middle";
}

const across = (r: Rect): Stretch => ({ start: r.x, end: right(r) });
const down = (r: Rect): Stretch => ({ start: r.y, end: bottom(r) });
const middleOf = ({ start, end }: Stretch): number => (start + end) / 2;

/**
 * A dragged rectangle, pulled along each axis to the nearest line within `reach` (design units): edges and centre of the
 * format, the safe area, edges and centres of its neighbours, and, where it is moved as a whole, equal gaps between them.
 * The guides are all lines it then stands on. A resized rectangle keeps its other edges and at least `LEAST_SIDE`.
 */
export function snap(
  place: Rect,
  dragged: DraggedEdges,
  { shape, safe, others }: Surroundings,
  reach: number,
): Snapped {
  const horizontal = snapAxis(
    across(place),
    dragged.across,
    isWhole(dragged),
    linesOf("across", shape.width, across(safe), others, place),
    reach,
  );
  const vertical = snapAxis(
    down(place),
    dragged.down,
    isWhole(dragged),
    linesOf("down", shape.height, down(safe), others, place),
    reach,
  );
  return {
    place: rect(
      horizontal.stretch.start,
      vertical.stretch.start,
      horizontal.stretch.end - horizontal.stretch.start,
      vertical.stretch.end - vertical.stretch.start,
    ),
    guides: [
      ...horizontal.on.map((line) => ({ ...line, axis: "across" as const })),
      ...vertical.on.map((line) => ({ ...line, axis: "down" as const })),
    ],
  };
}

const isWhole = ({ across, down }: DraggedEdges): boolean => across === null && down === null;

function linesOf(axis: "across" | "down", length: number, safe: Stretch, others: readonly Rect[], place: Rect): Line[] {
  const [along, crosswise] = axis === "across" ? [across, down] : [down, across];
  const own = crosswise(place);
  // Gaps are seen between things that stand beside each other.
  const row = others.filter((other) => crosswise(other).start < own.end && crosswise(other).end > own.start).map(along);
  return [
    { at: safe.start, kind: "safe area" },
    { at: safe.end, kind: "safe area" },
    { at: 0, kind: "edge" },
    { at: length, kind: "edge" },
    { at: length / 2, kind: "centre", only: "middle" },
    ...others.map(along).flatMap((other): Line[] => [
      { at: other.start, kind: "neighbour" },
      { at: other.end, kind: "neighbour" },
      { at: middleOf(other), kind: "neighbour", only: "middle" },
    ]),
    ...equalGaps(row, along(place)),
  ];
}

/** Where a stretch has the same gap on both sides, or the gap its neighbours have among themselves. */
function equalGaps(row: readonly Stretch[], { start, end }: Stretch): Line[] {
  const length = end - start;
  return row.flatMap((one) =>
    row.flatMap((next): Line[] => {
      const gap = next.start - one.end;
      if (gap <= 0) return [];
      const between: Line[] =
        gap >= length ? [{ at: one.end + (gap - length) / 2, kind: "equal gap", only: "start" }] : [];
      return [
        ...between,
        { at: next.end + gap, kind: "equal gap", only: "start" },
        { at: one.start - gap, kind: "equal gap", only: "end" },
      ];
    }),
  );
}

function snapAxis(
  stretch: Stretch,
  edge: "start" | "end" | null,
  whole: boolean,
  lines: readonly Line[],
  reach: number,
): { stretch: Stretch; on: Pick<Line, "at" | "kind">[] } {
  if (edge === null && !whole) return { stretch, on: [] };
  const usable = whole ? lines : lines.filter(({ kind, only }) => kind !== "equal gap" && only !== "middle");
  const pulls = pointsOf(stretch, edge).flatMap(({ name, at }) =>
    usable
      .filter(({ only }) => only === undefined || only === name)
      .map((line) => ({ by: line.at - at, kind: line.kind })),
  );
  const nearest = pulls
    .filter(({ by }) => Math.abs(by) <= reach)
    .sort(
      (one, other) =>
        Math.abs(one.by) - Math.abs(other.by) || GUIDE_KINDS.indexOf(one.kind) - GUIDE_KINDS.indexOf(other.kind),
    )[0];
  const moved = movedBy(stretch, edge, nearest?.by ?? 0);
  const points = pointsOf(moved, edge);
  const on = usable.filter(({ at, only }) =>
    points.some((point) => (only === undefined || only === point.name) && Math.abs(point.at - at) < 1e-6),
  );
  return {
    stretch: moved,
    on: on
      .filter((line, index) => on.findIndex((other) => other.at === line.at) === index)
      .map(({ at, kind }) => ({ at, kind })),
  };
}

function pointsOf(stretch: Stretch, edge: "start" | "end" | null): { name: "start" | "end" | "middle"; at: number }[] {
  if (edge !== null) return [{ name: edge, at: stretch[edge] }];
  return [
    { name: "start", at: stretch.start },
    { name: "middle", at: middleOf(stretch) },
    { name: "end", at: stretch.end },
  ];
}

function movedBy({ start, end }: Stretch, edge: "start" | "end" | null, by: number): Stretch {
  if (edge === "start") return { start: Math.min(start + by, end - LEAST_SIDE), end };
  if (edge === "end") return { start, end: Math.max(end + by, start + LEAST_SIDE) };
  return { start: start + by, end: end + by };
}

/**
 * A rectangle after dragging it, or some of its edges, by a distance; before it snaps. Edges stop at `LEAST_SIDE` from
 * those opposite.
 */
export function dragged(
  place: Rect,
  { across: horizontal, down: vertical }: DraggedEdges,
  by: { readonly x: number; readonly y: number },
): Rect {
  const whole = horizontal === null && vertical === null;
  const h = whole || horizontal !== null ? movedBy(across(place), horizontal, by.x) : across(place);
  const v = whole || vertical !== null ? movedBy(down(place), vertical, by.y) : down(place);
  return rect(h.start, v.start, h.end - h.start, v.end - v.start);
}

/**
 * A place as it is kept. Centres may lie between two units; nothing finer is kept. Sizes are rounded up, or words that just
 * fit would be set smaller.
 */
export const toHalves = ({ x, y, width, height }: Rect): Rect =>
  rect(half(x), half(y), Math.max(LEAST_SIDE, halfUp(width)), Math.max(LEAST_SIDE, halfUp(height)));
const half = (value: number): number => Math.round(value * 2) / 2;
const halfUp = (value: number): number => Math.ceil(value * 2 - 1e-6) / 2;
