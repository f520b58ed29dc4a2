import { type LookupTable } from "../../../core/grading/lookupTable";
import { type Size } from "../../../core/geometry/rect";
import { openPlanarModule } from "./planarModule";
import { type Rows } from "./frameParts";
import { planesRoom } from "./planesRoom";

/** Turns planes of Y, U and V (BT.709, studio range, 4:2:0), one after the other in one piece, into RGBA frames of one size. */
export interface PixelFrames {
  /**
   * Makes RGBA of some rows of planes (width × height × 1.5 bytes), of all when absent, in the colours of the table. Gives
   * the whole frame, which the next call writes over; its other rows are left as they are.
   */
  pixelsOf(planes: Uint8Array, rows?: Rows): Uint8ClampedArray;
}

/**
 * @param table how colours are changed
 * @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide
 */
export async function openPixelFrames(size: Size, table?: LookupTable): Promise<PixelFrames> {
  const module = await openPlanarModule();
  const room = planesRoom(module, size, table);
  const bytes = size.width * size.height * 4;
  const at = module.addRoom(bytes);
  const pixels = new Uint8ClampedArray(module.memory.buffer, at, bytes);
  return {
    pixelsOf(planes, rows = { from: 0, to: size.height }) {
      room.set(planes);
      room.makePixels(rows, at + rows.from * size.width * 4);
      return pixels;
    },
  };
}
