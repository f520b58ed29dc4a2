import { type LookupTable } from "../../../core/grading/lookupTable";
import { type Size } from "../../../core/geometry/rect";
import { needPlanes, openPlanarModule, planesBytes } from "./planarModule";

/** Turns planes of Y, U and V (BT.709, studio range, 4:2:0), one after the other in one piece, into RGBA frames of one size. */
export interface PixelFrames {
  /**
   * Makes RGBA of some rows of planes (width × height × 1.5 bytes), of all when absent, in the colours of the table. Gives
   * the whole frame, which the next call writes over; its other rows are left as they are.
   */
  pixelsOf(planes: Uint8Array, rows?: Rows): Uint8ClampedArray;
}

/** Rows of a frame: the first, and the one after the last. */
export interface Rows {
  readonly from: number;
  readonly to: number;
}

/** The function of toPixels.as.ts. */
type ToPixels = (
  planes: number,
  rgba: number,
  between: number,
  width: number,
  height: number,
  from: number,
  to: number,
) => void;
const isToPixels = (exported: unknown): exported is ToPixels => typeof exported === "function";

/** The function of applyTable.as.ts. */
type ApplyTable = (rgba: number, pixels: number, table: number, seen: number) => void;
const isApplyTable = (exported: unknown): exported is ApplyTable => typeof exported === "function";

/** Colours that were changed already, as in applyTable.as.ts. */
const SEEN_BYTES = 2 ** 16 * 8;
/** Free bytes that the functions of the module ask for besides what they read and write. */
const ROOM = 128;

/**
 * @param table how colours are changed
 * @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide
 */
export async function openPixelFrames({ width, height }: Size, table?: LookupTable): Promise<PixelFrames> {
  needPlanes({ width, height });
  const count = width * height;
  const [planesAt, rgbaAt] = [0, planesBytes({ width, height })];
  const betweenAt = rgbaAt + count * 4;
  const tableAt = betweenAt + width * 2 + ROOM;
  const seenAt = tableAt + (table ? table.values.byteLength + ROOM : 0);
  const { memory, exports } = await openPlanarModule(seenAt + (table ? SEEN_BYTES : 0));
  const { toPixels, applyTable } = exports;
  if (!isToPixels(toPixels) || !isApplyTable(applyTable))
    throw new TypeError("planar.wasm has no function that makes pixels.");
  if (table) memory.set(new Uint8Array(table.values.buffer, table.values.byteOffset, table.values.byteLength), tableAt);
  const pixels = new Uint8ClampedArray(memory.buffer, rgbaAt, count * 4);
  return {
    pixelsOf(planes, { from, to } = { from: 0, to: height }) {
      memory.set(planes, planesAt);
      toPixels(planesAt, rgbaAt, betweenAt, width, height, from, to);
      if (table) applyTable(rgbaAt + from * width * 4, (to - from) * width, tableAt, seenAt);
      return pixels;
    },
  };
}
