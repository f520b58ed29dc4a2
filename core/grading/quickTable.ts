import { type LookupTable, applyTable } from "./lookupTable";

/** So many bits of each channel tell colours apart: of two that differ by less, both become the same. */
const BITS = 7;
const MASK = (1 << BITS) - 1;
const OPAQUE = 0xff000000;
/** What one takes. */
export const QUICK_TABLE_BYTES = 4 << (3 * BITS);

/** A table for frames that follow each other quickly: as `applyTable` does it, to a step of colour that nobody sees move. */
export interface QuickTable {
  /** Changes opaque RGBA pixels in place. */
  apply(pixels: Uint8ClampedArray): void;
}

/** Colours are looked up once each, when they are first met, and are found again from then on (8 MB). */
export function quickTable(table: LookupTable): QuickTable {
  // Opaque colours are never 0, which stands for what was not met yet.
  const known = new Uint32Array(1 << (3 * BITS));
  const one = new Uint8ClampedArray(4);
  const color = new Uint32Array(one.buffer);

  function lookedUp(at: number): number {
    const whole = (part: number): number => (part << 1) | (part >> (BITS - 1));
    one.set([whole(at & MASK), whole((at >> BITS) & MASK), whole(at >> (2 * BITS)), 255]);
    applyTable(one, table);
    return (known[at] = color[0] ?? OPAQUE);
  }

  return {
    apply(pixels) {
      const words = new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length / 4);
      for (let index = 0; index < words.length; index++) {
        const word = words[index] ?? 0;
        // The upper bits of red, green and blue, side by side.
        const at = ((word >>> 1) & MASK) | ((word >>> 2) & (MASK << BITS)) | ((word >>> 3) & (MASK << (2 * BITS)));
        words[index] = known[at] || lookedUp(at);
      }
    },
  };
}
