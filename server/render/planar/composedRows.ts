import { type Rect, bottom, right } from "../../../core/geometry/rect";
import { clipRoom } from "./clipRoom";
import { type DrawnPiece, type FilledPiece, type FilmedPiece, type FramePiece } from "./framePieces";
import { type LaidPiece, type LayerPiece, MOST_COLUMNS, MOST_LAYERS } from "./framePieces";
import { pictureRoom } from "./pictureRoom";
import { type PlanarModule } from "./planarModule";
import { type PlanesRoom, type Rows } from "./planesRoom";
import { type Resampling } from "./resampling";

/** Puts frames together from their pieces, some rows after the other. */
export interface ComposedRows {
  /** Another frame begins. */
  begin(pieces: readonly FramePiece[]): void;
  /** Writes `count` rows of it from `from` on, RGBA, to where `composingBytes` begin. */
  compose(from: number, count: number): void;
}

/** The functions of composeRows.as.ts. */
interface ComposeRows {
  readonly drawRows: (
    this: void,
    picture: number,
    stride: number,
    read: number,
    rows: number,
    count: number,
    columns: number,
    pixels: number,
    paired: number,
    out: number,
    outStride: number,
  ) => void;
  readonly layOver: (this: void, from: number, to: number, pixels: number) => void;
  readonly layFaded: (this: void, from: number, to: number, pixels: number, alpha: number) => void;
}
const composesRows = (exports: WebAssembly.Exports): exports is WebAssembly.Exports & ComposeRows =>
  ["drawRows", "layOver", "layFaded"].every((name) => typeof exports[name] === "function");

/** Functions of the module write so many bytes more than they are asked for, at most. */
const SLACK = 64;
/** Of two rows of a picture side by side, words of 16 bits. */
const PAIRED_BYTES = (MOST_COLUMNS + 4) * 16;
/** Of the rows of a picture that a row is made of. */
const ROW_BYTES = 12;

/** Bytes that rows are put together in: the rows themselves, those of layers, and what is read for them. */
export const composingBytes = (width: number, rows: number): number =>
  (MOST_LAYERS + 1) * width * 4 * rows + 2 * (width * 4 + SLACK) + rows * ROW_BYTES + PAIRED_BYTES;

/** @param at where `composingBytes` of the module's memory begin @param rows so many at most are put together at once */
export function openComposedRows(module: PlanarModule, at: number, width: number, rows: number): ComposedRows {
  const { exports } = module;
  if (!composesRows(exports)) throw new TypeError("planar.wasm has no functions that put rows together.");
  const { drawRows, layOver, layFaded } = exports;
  const stride = width * 4;
  const lineAt = at + (MOST_LAYERS + 1) * stride * rows;
  const columnsAt = lineAt + stride + SLACK;
  const rowsAt = columnsAt + stride + SLACK;
  const pairedAt = rowsAt + rows * ROW_BYTES;
  const [pictures, clips] = [pictureRoom(module), clipRoom(module)];
  /** Where pixels of a clip's rows are made. */
  let made = { at: 0, bytes: 0 };
  const rowOf = (depth: number, row: number): number => at + (depth * rows + row) * stride;
  let frame: readonly FramePiece[] = [];
  /** Where the pictures of the frame lie, and its clips' frames. */
  const places = new Map<DrawnPiece, number>();
  const planes = new Map<FilmedPiece, PlanesRoom>();
  let memory = module.memory;
  let words = new Uint32Array(memory.buffer);
  let from = 0;
  let count = 0;

  function placeAll(pieces: readonly FramePiece[]): void {
    for (const piece of pieces)
      if (piece.kind === "drawn") places.set(piece, pictures.place(piece.pixels));
      else if (piece.kind === "filmed") {
        planes.set(piece, clips.place(piece.frame));
        makeRoom(mostRead(piece.resampling, rows) * piece.frame.width * 4);
      } else if (piece.kind === "layer") placeAll(piece.pieces);
  }

  function makeRoom(bytes: number): void {
    if (made.bytes < bytes) made = { at: module.addRoom(bytes + SLACK), bytes };
  }

  /** Calls back for each of the rows at hand that lie in a range: with its number in the frame, and where it is. */
  function eachRow(top: number, end: number, depth: number, take: (y: number, to: number) => void): void {
    const last = Math.min(from + count, end);
    for (let y = Math.max(from, top); y < last; y++) take(y, rowOf(depth, y - from));
  }

  function fill({ place, color }: FilledPiece, depth: number): void {
    const [left, end] = [Math.max(0, place.x), Math.min(width, right(place))];
    if (end <= left) return;
    const [word = 0] = new Uint32Array(Uint8Array.from(color).buffer);
    const covers = color[3] === 255;
    if (!covers) words.fill(word, lineAt / 4, lineAt / 4 + end - left);
    eachRow(place.y, bottom(place), depth, (_, to) => {
      if (covers) words.fill(word, to / 4 + left, to / 4 + end);
      else layOver(lineAt, to + left * 4, end - left);
    });
  }

  /** The rows at hand that a picture is drawn into, counted from the first of all. Null where there are none. */
  function rowsDrawn({ top, bottom: end }: Resampling): Rows | null {
    const [first, last] = [Math.max(from, top), Math.min(from + count, end)];
    return last > first ? { from: first - top, to: last - top } : null;
  }

  /** @param picture where its first row lies, in 32 bits @param bytes of a row of it */
  function resample(
    { first, count: read, from: left, to: end, top, ...of }: Resampling,
    drawn: Rows,
    picture: number,
    bytes: number,
    depth: number,
  ) {
    words.set(of.rows.subarray(3 * drawn.from, 3 * drawn.to), rowsAt / 4);
    memory.set(bytesOf(of.columns), columnsAt);
    const out = rowOf(depth, top + drawn.from - from) + left * 4;
    drawRows(
      picture + first * 4,
      bytes,
      read,
      rowsAt,
      drawn.to - drawn.from,
      columnsAt,
      end - left,
      pairedAt,
      out,
      stride,
    );
  }

  function draw(piece: DrawnPiece, depth: number): void {
    const drawn = rowsDrawn(piece.resampling);
    if (drawn) resample(piece.resampling, drawn, places.get(piece) ?? 0, piece.pixels.width * 4, depth);
  }

  /** Pixels are made of the rows that are read, and read while they are in the processor's cache. */
  function film(piece: FilmedPiece, depth: number): void {
    const drawn = rowsDrawn(piece.resampling);
    if (!drawn) return;
    const bytes = piece.frame.width * 4;
    const read = rowsRead(piece.resampling, drawn);
    planes.get(piece)?.makePixels(read, made.at);
    resample(piece.resampling, drawn, made.at - read.from * bytes, bytes, depth);
  }

  function lay({ pixels: { bytes, width: columns }, part, x, y: top, isOpaque }: LaidPiece, depth: number): void {
    const [left, end] = [Math.max(0, x), Math.min(width, x + part.width)];
    if (end <= left) return;
    eachRow(top, top + part.height, depth, (y, to) => {
      const start = ((part.y + y - top) * columns + part.x + left - x) * 4;
      const row = bytes.subarray(start, start + (end - left) * 4);
      if (isOpaque) memory.set(row, to + left * 4);
      else {
        memory.set(row, lineAt);
        layOver(lineAt, to + left * 4, end - left);
      }
    });
  }

  function layLayer({ pieces, alpha, cut }: LayerPiece, depth: number): void {
    const inside = depth + 1;
    memory.fill(0, rowOf(inside, 0), rowOf(inside, count));
    composeOn(pieces, inside);
    const { x, y, width: across, height }: Rect = cut ?? { x: 0, y: 0, width, height: Infinity };
    const [left, end] = [Math.max(0, x), Math.min(width, x + across)];
    if (end <= left) return;
    eachRow(y, y + height, depth, (row, to) => {
      const above = rowOf(inside, row - from) + left * 4;
      if (alpha === 255) layOver(above, to + left * 4, end - left);
      else layFaded(above, to + left * 4, end - left, alpha);
    });
  }

  function composeOn(pieces: readonly FramePiece[], depth: number): void {
    for (const piece of pieces) {
      if (piece.kind === "filled") fill(piece, depth);
      else if (piece.kind === "drawn") draw(piece, depth);
      else if (piece.kind === "filmed") film(piece, depth);
      else if (piece.kind === "laid") lay(piece, depth);
      else layLayer(piece, depth);
    }
  }

  return {
    begin(pieces) {
      frame = pieces;
      places.clear();
      planes.clear();
      pictures.begin();
      clips.begin();
      placeAll(pieces);
      if (memory === module.memory) return;
      memory = module.memory;
      words = new Uint32Array(memory.buffer);
    },
    compose(first, rowCount) {
      [from, count] = [first, rowCount];
      composeOn(frame, 0);
    },
  };
}

/** Rows of a picture that rows of a frame are made of. */
const rowsRead = ({ rows }: Resampling, { from, to }: Rows): Rows => ({
  from: rows[3 * from] ?? 0,
  to: (rows[3 * to - 2] ?? 0) + 1,
});

/** How many of them at most, for so many rows in a row. */
function mostRead(resampling: Resampling, count: number): number {
  const last = resampling.bottom - resampling.top;
  let most = 0;
  for (let row = 0; row < last; row++) {
    const { from, to } = rowsRead(resampling, { from: row, to: Math.min(row + count, last) });
    most = Math.max(most, to - from);
  }
  return most;
}

const bytesOf = ({ buffer, byteOffset, byteLength }: Uint16Array): Uint8Array =>
  new Uint8Array(buffer, byteOffset, byteLength);
