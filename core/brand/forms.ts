import { type Point, type Rect, centreOf } from "../geometry/rect";
import { type Outline, polygon } from "../type/outline";

/** Forms that a brand can have: what a scene is revealed in, and what closes over the last. */
export const FORMS = ["cut card", "circle", "arch", "leaf", "diamond", "blossom"] as const;
export type BrandForm = (typeof FORMS)[number];
export const USUAL_FORM: BrandForm = "cut card";

/** Corners of a cut card are cut by this share of half its shorter side. */
const CUT = 0.25;
/** So many straight pieces stand for a curve all around: each is off by less than half a design unit on a whole frame. */
const PIECES = 128;
const PETALS = 8;
/** How far a petal stands out, against the middle between two. */
const PETAL = 0.14;

/**
 * The outline of a form around the middle of a place, grown from nothing (0) until it covers the place whole (1).
 * @param progress 0 to 1
 */
export function formAround(form: BrandForm, place: Rect, progress: number): Outline {
  const { x, y } = centreOf(place);
  return polygon(...pointsOf(form, place, progress).flatMap((point) => [x + point.x, y + point.y]));
}

function pointsOf(form: BrandForm, place: Rect, progress: number): Point[] {
  if (form === "cut card") return cutCard(place, progress);
  const points = unitPoints(form);
  const [right, down] = [place.width / 2, place.height / 2];
  const corners = [-right, right].flatMap((x) => [-down, down].map((y) => ({ x, y })));
  const covers = Math.max(...corners.map((corner) => timesOutside(points, corner)));
  return points.map(({ x, y }) => ({ x: x * covers * progress, y: y * covers * progress }));
}

/** As wide and high as its place is, against each other. */
function cutCard({ width, height }: Rect, progress: number): Point[] {
  // So large that its cut corners go through those of the place in the end.
  const share = (progress * (width + height)) / (width + height - CUT * Math.min(width, height));
  const [a, b] = [(width / 2) * share, (height / 2) * share];
  const cut = Math.min(a, b) * CUT;
  return [
    { x: cut - a, y: -b },
    { x: a - cut, y: -b },
    { x: a, y: cut - b },
    { x: a, y: b - cut },
    { x: a - cut, y: b },
    { x: cut - a, y: b },
    { x: -a, y: b - cut },
    { x: -a, y: cut - b },
  ];
}

/** A form of about one unit to all sides: from its middle all of its edge can be seen. */
function unitPoints(form: Exclude<BrandForm, "cut card">): Point[] {
  switch (form) {
    case "circle":
      return around(() => 1);
    case "diamond":
      return [
        { x: 0, y: -1.25 },
        { x: 1, y: 0 },
        { x: 0, y: 1.25 },
        { x: -1, y: 0 },
      ];
    case "arch":
      return [
        ...Array.from({ length: PIECES / 2 + 1 }, (_, at) => onCircle(Math.PI + (2 * Math.PI * at) / PIECES)),
        { x: 1, y: 1.1 },
        { x: -1, y: 1.1 },
      ].map(({ x, y }) => ({ x: x * 0.9, y }));
    case "leaf":
      return leaf();
    case "blossom":
      return around((angle) => 1 + PETAL * (2 * Math.abs(Math.cos((angle * PETALS) / 2)) - 1));
  }
}

const onCircle = (angle: number): Point => ({ x: Math.cos(angle), y: Math.sin(angle) });
const around = (radius: (angle: number) => number): Point[] =>
  Array.from({ length: PIECES }, (_, at) => {
    const angle = (2 * Math.PI * at) / PIECES - Math.PI / 2;
    const { x, y } = onCircle(angle);
    return { x: x * radius(angle), y: y * radius(angle) };
  });

/** Two arcs that meet in points, lying aslant: where two circles have something in common. */
function leaf(): Point[] {
  const half = Math.PI / 3.2;
  const [reach, offset] = [1 / Math.sin(half), Math.cos(half) / Math.sin(half)];
  const arc = (side: 1 | -1): Point[] =>
    Array.from({ length: PIECES / 2 }, (_, at) => {
      const angle = -half + (2 * half * at) / (PIECES / 2);
      // Along the leaf and across it.
      const [along, across] = [reach * Math.sin(angle), reach * Math.cos(angle) - offset];
      return { x: along * side, y: across * side };
    });
  const turn = Math.SQRT1_2;
  return [...arc(1), ...arc(-1)].map(({ x, y }) => ({ x: (x + y) * turn, y: (y - x) * turn }));
}

/** By how much a form around the origin must grow to reach a point: where the ray to it crosses the form's edge. */
function timesOutside(points: readonly Point[], { x, y }: Point): number {
  let most = 0;
  points.forEach((from, at) => {
    const to = points[(at + 1) % points.length] ?? from;
    const [ex, ey] = [to.x - from.x, to.y - from.y];
    const facing = x * ey - y * ex;
    if (facing === 0) return;
    const share = (x * from.y - y * from.x) / -facing;
    const reached = (from.x * ey - from.y * ex) / facing;
    if (share >= -1e-9 && share <= 1 + 1e-9 && reached > 0) most = Math.max(most, 1 / reached);
  });
  return most;
}
