import { readFile } from "node:fs/promises";
import { type Size } from "../../../core/geometry/rect";

const PAGE_BYTES = 65_536;
/** What is not used costs nothing; but the garbage collector looks at everything when memory has grown a few times. */
const LEAST_GROWN = 2 ** 25;
let compiled: Promise<WebAssembly.Module> | null = null;

/** A copy of planar.wasm with a memory of its own. */
export interface PlanarModule {
  /** All of its memory, which is another array when there is more of it. What lies before all rooms is the module's own. */
  readonly memory: Uint8Array;
  readonly exports: WebAssembly.Exports;
  /** Makes room for so many bytes more, and gives where they begin. Anything may be in them. */
  addRoom(bytes: number): number;
  /** It is used no more: another that is opened may have its memory. */
  release(): void;
}

/** A copy with its memory, in use or not. */
interface Instance {
  readonly memory: WebAssembly.Memory;
  readonly exports: WebAssembly.Exports;
}

/** One that was released: memory that comes and goes has the garbage collector look at everything again and again. */
let released: Instance | null = null;

async function newInstance(): Promise<Instance> {
  compiled ??= readFile("server/render/planar/planar.wasm").then((code) => WebAssembly.compile(code));
  // The first page has the module's own constants.
  const memory = new WebAssembly.Memory({ initial: 1 });
  const { exports } = await WebAssembly.instantiate(await compiled, { env: { memory } });
  return { memory, exports };
}

function takeReleased(): Instance | null {
  const instance = released;
  released = null;
  return instance;
}

/** Opens a copy with no room in it yet; the memory of one that was released, if there is one. */
export async function openPlanarModule(): Promise<PlanarModule> {
  const instance = takeReleased() ?? (await newInstance());
  const { memory, exports } = instance;
  let view = new Uint8Array(memory.buffer);
  let taken = PAGE_BYTES;
  return {
    get memory() {
      return view;
    },
    exports,
    addRoom(more) {
      const at = taken;
      taken += pagesOf(more) * PAGE_BYTES;
      if (taken > view.length) {
        memory.grow(pagesOf(Math.max(taken - view.length, LEAST_GROWN)));
        view = new Uint8Array(memory.buffer);
      }
      return at;
    },
    release() {
      released = instance;
    },
  };
}

const pagesOf = (bytes: number): number => Math.ceil(bytes / PAGE_BYTES);

/** Of the planes of a frame: Y of each pixel, U and V of every fourth. */
export const planesBytes = ({ width, height }: Size): number => width * height * 1.5;

/** Rows are converted by so many pixels. */
export const LEAST_WIDTH = 16;

/** @throws RangeError for a size that has no half of both sides, or is under sixteen pixels wide */
export function needPlanes({ width, height }: Size): void {
  if (width % 2 !== 0 || height % 2 !== 0 || width < LEAST_WIDTH)
    throw new RangeError(`Frames of ${width} × ${height} have no planes of half the size.`);
}
