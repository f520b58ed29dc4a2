import { type Point, type Rect, type Size, intersection, rect, right } from "../../../core/geometry/rect";
import { clipRoom } from "./clipRoom";
import { type Columns, type Rows } from "./frameParts";
import { type DrawnPiece, type FilledPiece, type FilmedPiece, type FramePiece } from "./framePieces";
import { type LaidPiece, type LayerPiece, MOST_COLUMNS, MOST_LAYERS, isOpaqueColor } from "./framePieces";
import { pixelsRoom } from "./pixelsRoom";
import { type PlanarModule } from "./planarModule";
import { type PlanesRoom } from "./planesRoom";
import { type Resampling } from "./resampling";

/** Puts frames together from their pieces, some rows after the other. */
export interface ComposedRows {
  /** Another frame begins. */
  begin(pieces: readonly FramePiece[]): void;
  /**
   * Writes some rows of it, RGBA, one after the other to where `composingBytes` begin. In columns that a place does not have
   * anything may be written.
   */
  compose(place: Rect): void;
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
    skipped: number,
    paired: number,
    out: number,
    outStride: number,
  ) => void;
  readonly fillRows: (this: void, pixel: number, to: number, stride: number, pixels: number, rows: number) => void;
  readonly layRows: LayRows<[]>;
  readonly layFadedRows: LayRows<[alpha: number]>;
}
type LayRows<How extends readonly number[]> = (
  this: void,
  from: number,
  stride: number,
  to: number,
  toStride: number,
  pixels: number,
  rows: number,
  ...how: How
) => void;
const composesRows = (exports: WebAssembly.Exports): exports is WebAssembly.Exports & ComposeRows =>
  ["drawRows", "fillRows", "layRows", "layFadedRows"].every((name) => typeof exports[name] === "function");

/** Functions of the module write so many bytes more than they are asked for, at most. */
const SLACK = 64;
/** Of two rows of a picture side by side, words of 16 bits. */
const PAIRED_BYTES = (MOST_COLUMNS + 4) * 16;
/** So many pixels are filled, or drawn, at once. */
const FOUR = 4;
/** Of the rows of a picture that a row is made of. */
const ROW_BYTES = 12;

/** Bytes that rows are put together in: the rows themselves, those of layers, and what is read for them. */
export const composingBytes = (width: number, rows: number): number =>
  (MOST_LAYERS + 1) * width * 4 * rows + 2 * (width * 4 + SLACK) + rows * ROW_BYTES + PAIRED_BYTES;

/** @param at where `composingBytes` of the module's memory begin @param rows so many at most are put together at once */
export function openComposedRows(module: PlanarModule, at: number, width: number, rows: number): ComposedRows {
  const { exports } = module;
  if (!composesRows(exports)) throw new TypeError("planar.wasm has no functions that put rows together.");
  const { drawRows, fillRows, layRows, layFadedRows } = exports;
  const stride = width * 4;
  const lineAt = at + (MOST_LAYERS + 1) * stride * rows;
  const columnsAt = lineAt + stride + SLACK;
  const rowsAt = columnsAt + stride + SLACK;
  const pairedAt = rowsAt + rows * ROW_BYTES;
  const [kept, clips] = [pixelsRoom(module), clipRoom(module)];
  /** Where pixels of a clip's rows are made. There is room for all of a frame: what is not used of it costs nothing. */
  let made = { at: 0, bytes: 0 };
  const rowOf = (depth: number, row: number): number => at + (depth * rows + row) * stride;
  let frame: readonly FramePiece[] = [];
  /** Where the pixels of the frame's pieces lie, and its clips' frames. */
  const places = new Map<DrawnPiece | LaidPiece, number>();
  const planes = new Map<FilmedPiece, PlanesRoom>();
  let memory = module.memory;
  let words = new Uint32Array(memory.buffer);
  /** What is put together now. */
  let hand = rect(0, 0, width, 0);

  function placeAll(pieces: readonly FramePiece[]): void {
    for (const piece of pieces)
      if (piece.kind === "drawn" || (piece.kind === "laid" && !piece.isOpaque))
        places.set(piece, kept.place(piece.pixels));
      else if (piece.kind === "filmed") {
        planes.set(piece, clips.place(piece.frame));
        makeRoom(piece.frame.width * piece.frame.height * 4);
      } else if (piece.kind === "layer") placeAll(piece.pieces);
  }

  function makeRoom(bytes: number): void {
    if (made.bytes < bytes) made = { at: module.addRoom(bytes + SLACK), bytes };
  }

  /** Where a pixel of the frame is, in a layer of a depth. */
  const pixelAt = (depth: number, { x, y }: Point): number => rowOf(depth, y - hand.y) + x * 4;

  function fill({ place, color }: FilledPiece, depth: number): void {
    const here = intersection(place, hand);
    if (!here) return;
    const to = pixelAt(depth, here);
    if (isOpaqueColor(color) && here.width >= FOUR) fillRows(color, to, stride, here.width, here.height);
    else {
      words.fill(color, lineAt / 4, lineAt / 4 + here.width);
      layRows(lineAt, 0, to, stride, here.width, here.height);
    }
  }

  /** What is at hand of a picture that is drawn: at least four columns, which may be more than are. */
  function drawnAt({ from, to, top, bottom: end }: Resampling): Rect | null {
    const here = intersection(rect(from, top, to - from, end - top), hand);
    if (!here || here.width >= FOUR) return here;
    const x = Math.min(here.x, to - FOUR);
    return { ...here, x, width: FOUR };
  }

  /** @param picture where its first row lies, in 32 bits @param bytes of a row of it */
  function resample(of: Resampling, here: Rect, picture: number, bytes: number, depth: number): void {
    const drawn = rowsDrawn(of, here);
    const read = columnsRead(of, here);
    words.set(of.rows.subarray(3 * drawn.from, 3 * drawn.to), rowsAt / 4);
    memory.set(bytesOf(of.columns.subarray(2 * (here.x - of.from), 2 * (right(here) - of.from))), columnsAt);
    drawRows(
      picture + read.from * 4,
      bytes,
      read.to - read.from,
      rowsAt,
      here.height,
      columnsAt,
      here.width,
      read.from - of.first,
      pairedAt,
      pixelAt(depth, here),
      stride,
    );
  }

  function draw(piece: DrawnPiece, depth: number): void {
    const here = drawnAt(piece.resampling);
    if (here) resample(piece.resampling, here, places.get(piece) ?? 0, piece.pixels.width * 4, depth);
  }

  /** Pixels are made of the rows that are read, and read while they are in the processor's cache. */
  function film(piece: FilmedPiece, depth: number): void {
    const { frame: of, resampling } = piece;
    const here = drawnAt(resampling);
    if (!here) return;
    const read = rowsRead(resampling, rowsDrawn(resampling, here));
    planes.get(piece)?.makePixels(read, made.at, columnsRead(resampling, here));
    resample(resampling, here, made.at - read.from * of.width * 4, of.width * 4, depth);
  }

  function lay(piece: LaidPiece, depth: number): void {
    const { pixels, part, x, y, isOpaque } = piece;
    const here = intersection(rect(x, y, part.width, part.height), hand);
    if (!here) return;
    const bytes = pixels.width * 4;
    const start = (part.y + here.y - y) * bytes + (part.x + here.x - x) * 4;
    const to = pixelAt(depth, here);
    if (isOpaque) copyRows(pixels.bytes.subarray(start), bytes, to, here);
    else layRows((places.get(piece) ?? 0) + start, bytes, to, stride, here.width, here.height);
  }

  function copyRows(pixels: Uint8Array, bytes: number, to: number, { width: across, height }: Size): void {
    for (let row = 0; row < height; row++)
      memory.set(pixels.subarray(row * bytes, row * bytes + across * 4), to + row * stride);
  }

  function layLayer({ pieces, alpha, cut }: LayerPiece, depth: number): void {
    const inside = depth + 1;
    memory.fill(0, rowOf(inside, 0), rowOf(inside, hand.height));
    composeOn(pieces, inside);
    const here = intersection(cut ?? hand, hand);
    if (!here) return;
    const [above, to] = [pixelAt(inside, here), pixelAt(depth, here)];
    if (alpha === 255) layRows(above, stride, to, stride, here.width, here.height);
    else layFadedRows(above, stride, to, stride, here.width, here.height, alpha);
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
      kept.begin();
      clips.begin();
      placeAll(pieces);
      if (memory === module.memory) return;
      memory = module.memory;
      words = new Uint32Array(memory.buffer);
    },
    compose(place) {
      hand = place;
      composeOn(frame, 0);
    },
  };
}

/** Of the rows that a picture is drawn into, those of a place, counted from the first of them. */
const rowsDrawn = ({ top }: Resampling, { y, height }: Rect): Rows => ({ from: y - top, to: y - top + height });

/** Rows of a picture that rows of a frame are made of. */
const rowsRead = ({ rows }: Resampling, { from, to }: Rows): Rows => ({
  from: rows[3 * from] ?? 0,
  to: (rows[3 * to - 2] ?? 0) + 1,
});

/** Columns of a picture that those of a place are made of: from the one that the first begins with to the one after the last's. */
function columnsRead({ columns, first, count, from }: Resampling, place: Rect): Columns {
  const [start = 0, last = 0] = [columns[2 * (place.x - from)], columns[2 * (right(place) - 1 - from)]];
  return { from: first + start, to: first + Math.min(count, last + 2) };
}

const bytesOf = ({ buffer, byteOffset, byteLength }: Uint16Array): Uint8Array =>
  new Uint8Array(buffer, byteOffset, byteLength);
