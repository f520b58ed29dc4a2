import { type Rect, type Size, bottom, right } from "../../../core/geometry/rect";

/** Which pixels of a picture are read for those of a place that it is drawn into. */
export interface Resampling {
  /** Columns of the frame that are drawn. */
  readonly from: number;
  readonly to: number;
  /** Rows of the frame that are drawn. */
  readonly top: number;
  readonly bottom: number;
  /** The first column of the picture that is read, and how many are. */
  readonly first: number;
  readonly count: number;
  /** For each column of the frame: the one of the picture that it begins with, counted from `first`, and a share. */
  readonly columns: Uint16Array;
  /** For each row of the frame: the two of the picture that it lies between, and a share. */
  readonly rows: Int32Array;
}

/** What a picture is drawn on: a frame with a margin around it. */
export interface DrawnOn extends Size {
  readonly margin: number;
}

/** Columns are drawn by so many. */
const LEAST_DRAWN = 4;
/** Positions are rounded to single precision, in which the canvas that paints on the server computes. */
const single = Math.fround;
/** So many columns in a row the canvas counts on from the first of them, in 2^-32. */
const COUNTED_ON = 127;
const ONE = 2 ** 32;
const SIXTEENTH = ONE / 16;

/** Where a stretch of a picture ends, which is told by its start and length. */
const endOf = (start: number, length: number): number => single(single(start) + single(length));

/** A stretch of a picture that is drawn into one of a frame, along one axis. */
interface Stretch {
  readonly start: number;
  readonly length: number;
  readonly to: number;
  readonly toLength: number;
}

/** Where pixels of the frame lie in a picture, in 2^-32 of its pixels. */
function axis({ start, length, to, toLength }: Stretch, margin: number) {
  const scale = single(toLength / single(endOf(start, length) - single(start)));
  const offset = single(single(to - single(single(start) * scale)) + margin);
  const step = single(1 / scale);
  const from = single(-offset * step);
  return {
    step: Math.trunc(step * ONE),
    at: (pixel: number): number => Math.trunc(single(single((pixel + margin + 0.5) * step) + from) * ONE) - ONE / 2,
  };
}

/** The row or column that a position is at or behind; beyond the edges, the one at the edge. */
const within = (position: number, last: number): number => Math.min(last, Math.max(0, Math.floor(position / ONE)));
/** Whether there is a row or column on both sides of a position. */
const isBetween = (position: number, last: number): boolean => position >= 0 && position < last * ONE;
/** How far it is from the one to the next, in sixteenths. */
const shareAt = (position: number): number => Math.floor(position / SIXTEENTH) & 15;

/**
 * How a part of a picture is resampled that is drawn into a place of whole pixels: with low smoothing, as the canvas that
 * paints on the server does it. Null where fewer than four columns are drawn, or the part is not all in the picture.
 */
export function resampling(picture: Size, part: Rect, place: Rect, frame: DrawnOn): Resampling | null {
  const { margin } = frame;
  const isInside =
    part.x >= 0 &&
    part.y >= 0 &&
    endOf(part.x, part.width) <= picture.width &&
    endOf(part.y, part.height) <= picture.height;
  const [from, to] = [Math.max(0, place.x), Math.min(frame.width, right(place))];
  const [top, last] = [Math.max(0, place.y), Math.min(frame.height, bottom(place))];
  if (!isInside || to - from < LEAST_DRAWN || last <= top || part.width <= 0 || part.height <= 0) return null;
  const across = axis({ start: part.x, length: part.width, to: place.x, toLength: place.width }, margin);
  const down = axis({ start: part.y, length: part.height, to: place.y, toLength: place.height }, margin);
  const begin = Math.max(place.x, -margin);
  const lastColumn = picture.width - 1;
  /** Counted on from the first of the columns that are counted on in a row. */
  const columnAt = (pixel: number): number => {
    const counted = (pixel - begin) % COUNTED_ON;
    return across.at(pixel - counted) + counted * across.step;
  };
  const first = within(columnAt(from), lastColumn);
  const columns = new Uint16Array(2 * (to - from));
  for (let pixel = from, at = 0; pixel < to; pixel++, at += 2) {
    const position = columnAt(pixel);
    columns[at] = within(position, lastColumn) - first;
    columns[at + 1] = isBetween(position, lastColumn) ? shareAt(position) : 0;
  }
  const lastRow = picture.height - 1;
  const rows = new Int32Array(3 * (last - top));
  for (let y = top, at = 0; y < last; y++, at += 3) {
    const position = down.at(y);
    rows[at] = within(position, lastRow);
    rows[at + 1] = isBetween(position, lastRow) ? (rows[at] ?? 0) + 1 : (rows[at] ?? 0);
    rows[at + 2] = isBetween(position, lastRow) ? shareAt(position) : 0;
  }
  const end = columnAt(to - 1);
  return {
    ...{ from, to, top, bottom: last, first },
    count: within(end, lastColumn) - first + (isBetween(end, lastColumn) ? 2 : 1),
    columns,
    rows,
  };
}
