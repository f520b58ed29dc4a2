import { readFile } from "node:fs/promises";
import { type Size } from "../../../core/geometry/rect";

/** Turns RGBA frames of one size into planes of Y, U and V (BT.709, studio range, 4:2:0), one after the other in one piece. */
export interface PlanarFrames {
  /** The planes of the frame as it is now: width × height × 1.5 bytes, which the next change writes over. */
  readonly planes: Uint8Array;
  /** Sets some rows of the frame: `rgba` holds them, the first of them is `from`. The others stay. */
  change(rows: { readonly from: number; readonly rgba: Uint8Array }): void;
}

/** The one function of planar.as.ts. */
type Convert = (
  rgba: number,
  out: number,
  between: number,
  width: number,
  height: number,
  from: number,
  to: number,
) => void;
const isConvert = (exported: unknown): exported is Convert => typeof exported === "function";

const PAGE_BYTES = 65_536;
let compiled: Promise<WebAssembly.Module> | null = null;

/** @throws RangeError for a size that has no half of both sides, or is under eight pixels wide */
export async function openPlanarFrames({ width, height }: Size): Promise<PlanarFrames> {
  if (width % 2 !== 0 || height % 2 !== 0 || width < 8)
    throw new RangeError(`Frames of ${width} × ${height} have no planes of half the size.`);
  const pixels = width * height;
  const [rgbaAt, outAt, betweenAt] = [0, pixels * 4, pixels * 5.5];
  const memory = new WebAssembly.Memory({ initial: Math.ceil((betweenAt + pixels * 2) / PAGE_BYTES) });
  compiled ??= readFile("server/render/planar/planar.wasm").then((bytes) => WebAssembly.compile(bytes));
  const { exports } = await WebAssembly.instantiate(await compiled, { env: { memory } });
  const { convert } = exports;
  if (!isConvert(convert)) throw new TypeError("planar.wasm has no function that converts.");
  const bytes = new Uint8Array(memory.buffer);
  return {
    planes: bytes.subarray(outAt, betweenAt),
    change({ from, rgba }) {
      bytes.set(rgba, rgbaAt + from * width * 4);
      convert(rgbaAt, outAt, betweenAt, width, height, from, from + rgba.length / (width * 4));
    },
  };
}
