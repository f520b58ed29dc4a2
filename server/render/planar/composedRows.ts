import { type Rect, bottom, right } from "../../../core/geometry/rect";
import { type DrawnPiece, type FilledPiece, type FramePiece, type LaidPiece, type LayerPiece } from "./framePieces";
import { MOST_COLUMNS, MOST_LAYERS } from "./framePieces";
import { pictureRoom } from "./pictureRoom";
import { type PlanarModule } from "./planarModule";

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
  const room = pictureRoom(module);
  const rowOf = (depth: number, row: number): number => at + (depth * rows + row) * stride;
  let frame: readonly FramePiece[] = [];
  /** Where the pictures of the frame lie. */
  const places = new Map<DrawnPiece, number>();
  let memory = module.memory;
  let words = new Uint32Array(memory.buffer);
  let from = 0;
  let count = 0;

  function placeAll(pieces: readonly FramePiece[]): void {
    for (const piece of pieces)
      if (piece.kind === "drawn") places.set(piece, room.place(piece));
      else if (piece.kind === "layer") placeAll(piece.pieces);
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

  function draw(piece: DrawnPiece, depth: number): void {
    const { pixels, resampling } = piece;
    const { first, count: read, from: left, to: end, columns } = resampling;
    const [top, last] = [Math.max(from, resampling.top), Math.min(from + count, resampling.bottom)];
    if (last <= top) return;
    const [firstRow, lastRow] = [3 * (top - resampling.top), 3 * (last - resampling.top)];
    words.set(resampling.rows.subarray(firstRow, lastRow), rowsAt / 4);
    memory.set(bytesOf(columns), columnsAt);
    const picture = (places.get(piece) ?? 0) + first * 4;
    const out = rowOf(depth, top - from) + left * 4;
    drawRows(picture, pixels.width * 4, read, rowsAt, last - top, columnsAt, end - left, pairedAt, out, stride);
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
      else if (piece.kind === "laid") lay(piece, depth);
      else layLayer(piece, depth);
    }
  }

  return {
    begin(pieces) {
      frame = pieces;
      places.clear();
      room.begin();
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

const bytesOf = ({ buffer, byteOffset, byteLength }: Uint16Array): Uint8Array =>
  new Uint8Array(buffer, byteOffset, byteLength);
