import { median } from "../../median";
import { type PathPiece, type SubjectPath, pathPoints } from "../../geometry/subjectPath";
import { type Point } from "../../geometry/rect";
import { type Importance, importanceOf } from "./importance";
import { type SmallFrame } from "./smallFrame";
import { smoothed, withinSpeed } from "./smoothedPath";

/** What is seen between two cuts: its first frame, counted in the clip, and every so many frames from there on. */
export interface SampledPiece {
  readonly from: number;
  readonly frames: readonly SmallFrame[];
}

/** How many samples of a second are looked at. */
export const SAMPLES_A_SECOND = 6;
/** How fast the path goes at most, in widths (heights) of the picture a second. */
export const FASTEST = 0.6;
/** Evens out what goes back and forth within about a second and a half (`smoothedPath.ts`). */
const STIFFNESS = 12;
/** Trust in a moment of which nothing is known: what is before and after it decides. */
const LEAST_TRUST = 0.02;

/**
 * Where the subject of a clip is all along: what draws the eye is looked for in small frames, followed from moment to moment
 * by the way that sees most of it while it moves little (dynamic programming), and made smooth. At a cut it starts anew.
 *
 * @param step frames of the clip between two samples
 */
export const followSubject = (pieces: readonly SampledPiece[], step: number): SubjectPath => ({
  step,
  pieces: pieces.map(({ from, frames }): PathPiece => ({ from, points: pathPoints(pathThrough(frames)) })),
});

function pathThrough(frames: readonly SmallFrame[]): Point[] {
  const first = frames[0];
  if (!first) return [];
  const { width, height } = first;
  const maps = importanceOf(frames);
  const seen = maps.map((map) => windowSums(map, first));
  const places = bestWay(seen, first);
  const middles = maps.map((map, at) => middleAround(map, first, places[at] ?? { x: width / 2, y: height / 2 }));
  const usual = median(middles.map(({ mass }) => mass));
  const trust = middles.map(({ mass, share }) => Math.max(LEAST_TRUST, share * Math.min(1, mass / Math.max(1, usual))));
  const [across, down] = (["x", "y"] as const).map((axis) =>
    evened(
      middles.map((middle) => (middle[axis] + 0.5) / (axis === "x" ? width : height)),
      trust,
    ),
  );
  return frames.map((_, at) => ({ x: across?.[at] ?? 0.5, y: down?.[at] ?? 0.5 }));
}

/** Smooth, within the speed limit, and smooth where that held it back. */
function evened(values: readonly number[], trust: readonly number[]): number[] {
  const held = withinSpeed(smoothed(values, trust, STIFFNESS), FASTEST / SAMPLES_A_SECOND);
  return [1, 2].reduce<readonly number[]>(rubbed, held).slice();
}

/** Each value and its neighbours, 1 : 2 : 1. It keeps any speed limit. */
const rubbed = (values: readonly number[]): number[] =>
  values.map((value, at) => ((values[at - 1] ?? value) + 2 * value + (values[at + 1] ?? value)) / 4);

interface Place {
  /** Pixels of the small frame. */
  readonly x: number;
  readonly y: number;
}

/** Half the side of the window that is moved over the frame, as a share of its longer side. */
const HALF_WINDOW = 0.09;
/** Places that are tried across the longer side. */
const PLACES = 32;
/** What it costs to move from one sample to the next, by the square of the way in longer sides of the frame. */
const COST = 25;
/** How far that may be, in places. */
const REACH = 5;
/** What is in the middle counts a little more than what is at the edge. */
const TOWARD_MIDDLE = 0.04;

interface Seen {
  readonly columns: number;
  readonly rows: number;
  /** The share of all that draws the eye that a window around each place sees. */
  readonly shares: Float32Array;
}

const spacingOf = ({ width, height }: SmallFrame): number => Math.max(width, height) / PLACES;

function windowSums(map: Importance, frame: SmallFrame): Seen {
  const { width, height } = frame;
  const spacing = spacingOf(frame);
  const [columns, rows] = [Math.max(1, Math.round(width / spacing)), Math.max(1, Math.round(height / spacing))];
  const half = Math.max(1, HALF_WINDOW * Math.max(width, height));
  const sums = summedArea(map, frame);
  const whole = sums(0, 0, width, height);
  const shares = new Float32Array(columns * rows);
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const { x, y } = placeAt(column, row, spacing);
      const off = Math.hypot(x / width - 0.5, y / height - 0.5);
      const seen = sums(Math.round(x - half), Math.round(y - half), Math.round(x + half), Math.round(y + half));
      shares[row * columns + column] = seen / Math.max(1, whole) - TOWARD_MIDDLE * off;
    }
  return { columns, rows, shares };
}

const placeAt = (column: number, row: number, spacing: number): Place => ({
  x: (column + 0.5) * spacing,
  y: (row + 0.5) * spacing,
});

/** Sums over upright rectangles, each in four look-ups (Crow, “Summed-area tables”, 1984). */
function summedArea(
  map: Importance,
  { width, height }: SmallFrame,
): (left: number, top: number, right: number, bottom: number) => number {
  const table = new Float64Array((width + 1) * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    for (let x = 0; x < width; x++) {
      row += map[y * width + x] ?? 0;
      table[(y + 1) * (width + 1) + x + 1] = (table[y * (width + 1) + x + 1] ?? 0) + row;
    }
  }
  const within = (value: number, most: number): number => Math.min(most, Math.max(0, value));
  const at = (x: number, y: number): number => table[within(y, height) * (width + 1) + within(x, width)] ?? 0;
  return (left, top, right, bottom) => at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top);
}

/** The places, one a sample, that see most together and move little (Viterbi's way through a trellis). */
function bestWay(seen: readonly Seen[], frame: SmallFrame): Place[] {
  const { columns, rows } = seen[0] ?? { columns: 1, rows: 1 };
  const count = columns * rows;
  let worth = Float32Array.from(seen[0]?.shares ?? []);
  const came: Int32Array[] = [];
  for (const { shares } of seen.slice(1)) {
    const next = new Float32Array(count);
    const from = new Int32Array(count);
    for (let to = 0; to < count; to++) {
      const best = bestBefore(worth, to, columns, rows);
      from[to] = best.place;
      next[to] = best.worth + (shares[to] ?? 0);
    }
    came.push(from);
    worth = next;
  }
  let place = worth.reduce((best, value, at) => (value > (worth[best] ?? -Infinity) ? at : best), 0);
  const way = [place];
  for (const from of came.toReversed()) way.push((place = from[place] ?? place));
  const spacing = spacingOf(frame);
  return way.toReversed().map((at) => placeAt(at % columns, Math.floor(at / columns), spacing));
}

function bestBefore(
  worth: Float32Array,
  to: number,
  columns: number,
  rows: number,
): { readonly place: number; readonly worth: number } {
  const [column, row] = [to % columns, Math.floor(to / columns)];
  let best = { place: to, worth: -Infinity };
  for (let y = Math.max(0, row - REACH); y <= Math.min(rows - 1, row + REACH); y++)
    for (let x = Math.max(0, column - REACH); x <= Math.min(columns - 1, column + REACH); x++) {
      const way = ((x - column) ** 2 + (y - row) ** 2) / PLACES ** 2;
      const found = (worth[y * columns + x] ?? 0) - COST * way;
      if (found > best.worth) best = { place: y * columns + x, worth: found };
    }
  return best;
}

interface Middle extends Place {
  /** How much was seen, and its share of all that draws the eye in the frame. */
  readonly mass: number;
  readonly share: number;
}

/** How often a window is moved to the middle of what it sees. */
const MOVES = 4;

/** The middle of what draws the eye around a place: the window is moved there again and again (mean shift). */
function middleAround(map: Importance, { width, height }: SmallFrame, start: Place): Middle {
  const half = HALF_WINDOW * 1.3 * Math.max(width, height);
  const whole = map.reduce((sum, value) => sum + value, 0);
  let found: Middle = { ...start, mass: 0, share: 0 };
  for (let move = 0; move < MOVES; move++) {
    let [mass, x, y] = [0, 0, 0];
    const [top, bottom] = [Math.max(0, Math.ceil(found.y - half)), Math.min(height - 1, Math.floor(found.y + half))];
    const [left, right] = [Math.max(0, Math.ceil(found.x - half)), Math.min(width - 1, Math.floor(found.x + half))];
    for (let row = top; row <= bottom; row++)
      for (let column = left; column <= right; column++) {
        const value = map[row * width + column] ?? 0;
        mass += value;
        x += value * column;
        y += value * row;
      }
    if (mass <= 0) return found;
    found = { x: x / mass, y: y / mass, mass, share: mass / whole };
  }
  return found;
}
