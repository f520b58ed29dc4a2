import { type Size } from "../../../core/geometry/rect";
import { needPlanes, openPlanarModule, planesBytes } from "./planarModule";

/** Chroma of a row is made of so many rows above and below it at most. */
export const NEIGHBOURS = 8;
/** So many rows are converted at once: few enough to stay in the processor's cache meanwhile. */
const ROWS_AT_ONCE = 16;
/** As in toPlanes.as.ts. */
const KEPT_ROWS = 16;

/** Turns RGBA frames of one size into planes of Y, U and V (BT.709, studio range, 4:2:0), one after the other in one piece. */
export interface PlanarFrames {
  /** The planes of the frame as it is now: width × height × 1.5 bytes, which the next change writes over. */
  readonly planes: Uint8Array;
  /**
   * Sets some rows of the frame; the others stay. There must be `NEIGHBOURS` rows more at both ends than those that changed,
   * or the frame's edge.
   */
  readonly change: (this: void, rows: FrameRows) => void;
}

/** Rows of a frame as they lie in memory. */
export interface FrameRows {
  /** The first, and how many there are. */
  readonly from: number;
  readonly count: number;
  /** RGBA: where the first row's first pixel is in it, and how many bytes on the next row's is. */
  readonly bytes: Uint8Array;
  readonly start: number;
  readonly stride: number;
}

/** A whole frame, one row after the other. */
export const wholeFrame = (bytes: Uint8Array, { width, height }: Size): FrameRows => ({
  ...{ from: 0, count: height },
  ...{ bytes, start: 0, stride: width * 4 },
});

/** The function of toPlanes.as.ts. */
type ToPlanes = (
  rgba: number,
  out: number,
  between: number,
  width: number,
  height: number,
  stride: number,
  first: number,
  y: number,
  count: number,
) => void;
const isToPlanes = (exported: unknown): exported is ToPlanes => typeof exported === "function";

/** @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide */
export async function openPlanarFrames({ width, height }: Size): Promise<PlanarFrames> {
  needPlanes({ width, height });
  // Rows may have something beside them: they are copied as they lie.
  const [rgbaAt, betweenAt] = [0, 2 * width * 4 * ROWS_AT_ONCE];
  const outAt = betweenAt + width * KEPT_ROWS * 2;
  const outEnd = outAt + planesBytes({ width, height });
  const { memory, exports } = await openPlanarModule(outEnd);
  const { toPlanes } = exports;
  if (!isToPlanes(toPlanes)) throw new TypeError("planar.wasm has no function that makes planes.");
  return {
    planes: memory.subarray(outAt, outEnd),
    change({ from, count, bytes, start, stride }) {
      for (let row = 0; row < count; row += ROWS_AT_ONCE) {
        const rows = Math.min(ROWS_AT_ONCE, count - row);
        const first = start + row * stride;
        memory.set(bytes.subarray(first, first + (rows - 1) * stride + width * 4), rgbaAt);
        toPlanes(rgbaAt, outAt, betweenAt, width, height, stride, from, from + row, rows);
      }
    },
  };
}
