import { type LookupTable } from "../../../core/grading/lookupTable";
import { type Size } from "../../../core/geometry/rect";
import { type Columns, type Rows, wholeSteps } from "./frameParts";
import { type PlanarModule, needPlanes, planesBytes } from "./planarModule";

/** Planes of Y, U and V (BT.709, studio range, 4:2:0) in the memory of a module, which makes pixels of them. */
export interface PlanesRoom {
  /** Takes the planes of a frame in place of those before: width × height × 1.5 bytes. */
  set(planes: Uint8Array): void;
  /**
   * Makes RGBA of some rows, in the colours of the table.
   *
   * @param at where in the memory the first of them goes, the others after it
   * @param columns that are wanted, all when absent: others are left as they are, or not
   */
  makePixels(rows: Rows, at: number, columns?: Columns): void;
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
  left: number,
  right: number,
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
 * Takes as much memory of a module as planes of a size need.
 *
 * @param table how colours are changed
 * @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide
 */
export function planesRoom(module: PlanarModule, size: Size, table?: LookupTable): PlanesRoom {
  needPlanes(size);
  const { width, height } = size;
  const { toPixels, applyTable } = module.exports;
  if (!isToPixels(toPixels) || !isApplyTable(applyTable))
    throw new TypeError("planar.wasm has no function that makes pixels.");
  const planesAt = module.addRoom(planesBytes(size) + width * 2 + ROOM);
  const betweenAt = planesAt + planesBytes(size);
  const change = table && tableRoom(module, table);
  return {
    set: (planes) => module.memory.set(planes, planesAt),
    makePixels({ from, to }, at, columns = { from: 0, to: width }) {
      const [left, right] = wholeSteps(columns, width);
      // It counts rows from the frame's first; addresses are counted in 32 bits, and come round.
      toPixels(planesAt, at - from * width * 4, betweenAt, width, height, from, to, left, right);
      if (!change) return;
      for (let row = at + left * 4; row < at + (to - from) * width * 4; row += width * 4)
        applyTable(row, right - left, change.tableAt, change.seenAt);
    },
  };
}

function tableRoom(module: PlanarModule, { values }: LookupTable) {
  const tableAt = module.addRoom(values.byteLength + ROOM);
  module.memory.set(new Uint8Array(values.buffer, values.byteOffset, values.byteLength), tableAt);
  const seenAt = module.addRoom(SEEN_BYTES);
  module.memory.fill(0, seenAt, seenAt + SEEN_BYTES);
  return { tableAt, seenAt };
}
