import { readFile } from "node:fs/promises";
import { type Size } from "../../../core/geometry/rect";

const PAGE_BYTES = 65_536;
let compiled: Promise<WebAssembly.Module> | null = null;

/** A copy of planar.wasm with a memory of its own. */
export interface PlanarModule {
  readonly memory: Uint8Array;
  readonly exports: WebAssembly.Exports;
}

/** @param bytes of memory, at least */
export async function openPlanarModule(bytes: number): Promise<PlanarModule> {
  compiled ??= readFile("server/render/planar/planar.wasm").then((code) => WebAssembly.compile(code));
  const memory = new WebAssembly.Memory({ initial: Math.ceil(bytes / PAGE_BYTES) });
  const { exports } = await WebAssembly.instantiate(await compiled, { env: { memory } });
  return { memory: new Uint8Array(memory.buffer), exports };
}

/** Of the planes of a frame: Y of each pixel, U and V of every fourth. */
export const planesBytes = ({ width, height }: Size): number => width * height * 1.5;

/** Rows are converted by so many pixels. */
export const LEAST_WIDTH = 16;

/** @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide */
export function needPlanes({ width, height }: Size): void {
  if (width % 2 !== 0 || height % 2 !== 0 || width < LEAST_WIDTH)
    throw new RangeError(`Frames of ${width} × ${height} have no planes of half the size.`);
}
