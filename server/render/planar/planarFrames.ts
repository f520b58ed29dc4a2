import { type Rect, type Size, rect, right, wholeOf } from "../../../core/geometry/rect";
import { composingBytes, openComposedRows } from "./composedRows";
import { wholeSteps } from "./frameParts";
import { type FramePiece } from "./framePieces";
import { needPlanes, openPlanarModule, planesBytes } from "./planarModule";

/** Chroma of a row is made of so many rows above and below it at most. */
export const NEIGHBOURS = 8;
/** So many rows are put together and converted at once: few enough to stay in the processor's cache meanwhile. */
const ROWS_AT_ONCE = 16;
/** As in toPlanes.as.ts. */
const KEPT_ROWS = 16;

/** Puts frames of one size together and turns them into planes of Y, U and V (BT.709, studio range, 4:2:0), one after the other. */
export interface PlanarFrames {
  /** The planes of the frame as it is now: width × height × 1.5 bytes, which the next change writes over. */
  readonly planes: Uint8Array;
  /**
   * Sets a part of the frame; the rest stays. There must be `NEIGHBOURS` rows more at both ends than those that changed, or
   * the frame's edge.
   */
  readonly change: (this: void, part: FramePart) => void;
  /** No more frames are put together. */
  close(): void;
}

/** A part of a frame. */
export interface FramePart {
  /** In whole pixels. */
  readonly place: Rect;
  /** What the frame is put together from, at least in the rows of this place. Together they cover it. */
  readonly pieces: readonly FramePiece[];
}

/** A whole frame: RGBA, one row after the other. */
export function wholeFrame(bytes: Uint8Array, { width, height }: Size): FramePart {
  const place = wholeOf({ width, height });
  return {
    place,
    pieces: [{ kind: "laid", pixels: { bytes, width, height }, part: place, x: 0, y: 0, isOpaque: true }],
  };
}

/** The function of toPlanes.as.ts. */
type ToPlanes = (
  rgba: number,
  out: number,
  between: number,
  width: number,
  height: number,
  left: number,
  columns: number,
  first: number,
  y: number,
  count: number,
) => void;
const isToPlanes = (exported: unknown): exported is ToPlanes => typeof exported === "function";

/** @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide */
export async function openPlanarFrames({ width, height }: Size): Promise<PlanarFrames> {
  needPlanes({ width, height });
  const module = await openPlanarModule();
  const rgbaAt = module.addRoom(composingBytes(width, ROWS_AT_ONCE));
  const betweenAt = module.addRoom(width * KEPT_ROWS * 2);
  const outAt = module.addRoom(planesBytes({ width, height }));
  const outEnd = outAt + planesBytes({ width, height });
  const { toPlanes } = module.exports;
  if (!isToPlanes(toPlanes)) throw new TypeError("planar.wasm has no function that makes planes.");
  const composed = openComposedRows(module, rgbaAt, width, ROWS_AT_ONCE);
  return {
    get planes() {
      return module.memory.subarray(outAt, outEnd);
    },
    close: () => module.release(),
    change({ place, pieces }) {
      const [left, end] = wholeSteps({ from: place.x, to: right(place) }, width);
      composed.begin(pieces);
      for (let row = 0; row < place.height; row += ROWS_AT_ONCE) {
        const [from, rows] = [place.y + row, Math.min(ROWS_AT_ONCE, place.height - row)];
        composed.compose(rect(left, from, end - left, rows));
        toPlanes(rgbaAt, outAt, betweenAt, width, height, left, end - left, place.y, from, rows);
      }
    },
  };
}
