import { type Point } from "./rect";

/**
 * Where the subject of a clip is, from start to end: a point in shares of the picture at every so many frames. A cut inside
 * the clip begins a new piece, since nothing moves from one picture to the next.
 */
export interface SubjectPath {
  /** Frames between two points. */
  readonly step: number;
  readonly pieces: readonly PathPiece[];
}

export interface PathPiece {
  /** The frame that it begins with, which is that of its first point. */
  readonly from: number;
  readonly points: PathPoints;
}

/**
 * Points as text, small enough to travel with a clip's facts: eight hexadecimal digits each, four across and four down, of
 * which `ffff` is the far edge.
 */
export type PathPoints = string;
const DIGITS = 4;
const FARTHEST = 0xffff;
export const PATH_POINTS = /^([0-9a-f]{8})+$/;

/** @param points in shares of the picture, 0 to 1 */
export const pathPoints = (points: readonly Point[]): PathPoints =>
  points.map(({ x, y }) => digitsOf(x) + digitsOf(y)).join("");
const digitsOf = (share: number): string =>
  Math.round(Math.min(1, Math.max(0, share)) * FARTHEST)
    .toString(16)
    .padStart(DIGITS, "0");

const countOf = (points: PathPoints): number => points.length / (2 * DIGITS);
const readPoint = (points: PathPoints, index: number): readonly [x: number, y: number] => {
  const at = index * 2 * DIGITS;
  const read = (from: number): number => Number.parseInt(points.slice(from, from + DIGITS), 16) / FARTHEST;
  return [read(at), read(at + DIGITS)];
};

/** Where somebody says the subject is, at a frame of the clip: the path bends to it. */
export interface Bend extends Point {
  readonly frame: number;
}

/** How far from a bend, in points of the path, it is still felt where no other is on that side. */
const FELT = 12;

/**
 * Where the subject is at a frame: between two points on the cubic that passes through both (Catmull and Rom, 1974), moved by
 * what the bends before and after it say.
 *
 * @param rests where it is taken to be without a path
 */
export function subjectAt(path: SubjectPath | null, bends: readonly Bend[], frame: number, rests: Point): Point {
  const found = path && pointOnPath(path, frame);
  const at = found ?? rests;
  const reach = FELT * (path?.step ?? 1);
  const { from, to } = path ? pieceAround(path, frame) : { from: 0, to: Infinity };
  const moved = bends
    .filter((bend) => bend.frame >= from && bend.frame < to)
    .toSorted((one, other) => one.frame - other.frame)
    .map((bend) => {
      const base = (path && pointOnPath(path, bend.frame)) ?? rests;
      return { frame: bend.frame, x: bend.x - base.x, y: bend.y - base.y };
    });
  const before = moved.findLast((one) => one.frame <= frame);
  const after = moved.find((one) => one.frame > frame);
  if (!before && !after) return at;
  // Without a path, what is said of one moment holds until something else is said.
  const alone = (one: Bend): number => (path ? eased(1 - Math.abs(frame - one.frame) / reach) : 1);
  if (before && after) {
    const share = eased((frame - before.frame) / (after.frame - before.frame));
    return bounded(at.x + before.x + (after.x - before.x) * share, at.y + before.y + (after.y - before.y) * share);
  }
  const one = before ?? after;
  return one ? bounded(at.x + one.x * alone(one), at.y + one.y * alone(one)) : at;
}

/** From 0 to 1 without a jerk at either end (smoothstep). */
function eased(share: number): number {
  const held = Math.min(1, Math.max(0, share));
  return held * held * (3 - 2 * held);
}

const bounded = (x: number, y: number): Point => ({ x: Math.min(1, Math.max(0, x)), y: Math.min(1, Math.max(0, y)) });

/** The frames between the cuts before and after a frame. */
function pieceAround({ pieces }: SubjectPath, frame: number): { readonly from: number; readonly to: number } {
  const at = pieceIndex(pieces, frame);
  return { from: pieces[at]?.from ?? 0, to: pieces[at + 1]?.from ?? Infinity };
}

const pieceIndex = (pieces: readonly PathPiece[], frame: number): number =>
  Math.max(
    0,
    pieces.findLastIndex(({ from }) => from <= frame),
  );

function pointOnPath({ step, pieces }: SubjectPath, frame: number): Point | null {
  const piece = pieces[pieceIndex(pieces, frame)];
  if (!piece) return null;
  const last = countOf(piece.points) - 1;
  const place = Math.min(last, Math.max(0, (frame - piece.from) / step));
  const index = Math.min(Math.max(0, last - 1), Math.floor(place));
  const point = (at: number): readonly [number, number] => readPoint(piece.points, Math.min(last, Math.max(0, at)));
  const [before, start, end, next] = [point(index - 1), point(index), point(index + 1), point(index + 2)];
  const along = (axis: 0 | 1): number => catmullRom([before[axis], start[axis], end[axis], next[axis]], place - index);
  return bounded(along(0), along(1));
}

function catmullRom([before, start, end, next]: readonly [number, number, number, number], share: number): number {
  const [incoming, outgoing] = [(end - before) / 2, (next - start) / 2];
  const square = share * share;
  return (
    start +
    incoming * share +
    (3 * (end - start) - 2 * incoming - outgoing) * square +
    (2 * (start - end) + incoming + outgoing) * square * share
  );
}

/** Bends with one more: it takes the place of another at the same frame. */
export const withBend = (bends: readonly Bend[], bend: Bend): Bend[] =>
  [...bends.filter(({ frame }) => frame !== bend.frame), bend].toSorted((one, other) => one.frame - other.frame);
