import { median } from "../median";

/** The side of the small grey picture a hash is made from. */
export const HASH_SIDE = 32;
const KEPT = 8;

/**
 * A 64-bit hash of what a picture looks like: the lowest 8 × 8 frequencies of a discrete cosine transform (DCT-II), each
 * bit whether one lies above their median. Pictures that look alike differ in few bits; sizes and compression hardly count.
 * @param grey `HASH_SIDE`² bytes of brightness, row by row
 */
export function perceptualHash(grey: Uint8Array): bigint {
  if (grey.length !== HASH_SIDE * HASH_SIDE)
    throw new RangeError(`A hash is made from ${HASH_SIDE} × ${HASH_SIDE} pixels, got ${grey.length}.`);
  const rows = Array.from({ length: HASH_SIDE }, (_, y) =>
    lowFrequencies(grey.subarray(y * HASH_SIDE, (y + 1) * HASH_SIDE)),
  );
  const values: number[] = [];
  for (let u = 0; u < KEPT; u++) values.push(...lowFrequencies(rows.map((row) => row[u] ?? 0)));
  // The first is the mean brightness, which says nothing about what is seen.
  const middle = median(values.slice(1));
  return values.reduce((hash, value, index) => (index > 0 && value > middle ? hash | (1n << BigInt(index)) : hash), 0n);
}

const COSINES = Array.from({ length: KEPT }, (_, frequency) =>
  Array.from({ length: HASH_SIDE }, (_, at) => Math.cos(((2 * at + 1) * frequency * Math.PI) / (2 * HASH_SIDE))),
);

function lowFrequencies(line: ArrayLike<number>): number[] {
  return COSINES.map((cosine) => cosine.reduce((sum, factor, at) => sum + factor * (line[at] ?? 0), 0));
}

/** In how many bits two hashes differ, 0 to 64. */
export function hashDistance(one: bigint, other: bigint): number {
  let bits = BigInt.asUintN(64, one ^ other);
  let count = 0;
  for (; bits > 0n; bits &= bits - 1n) count += 1;
  return count;
}

/** Pictures no farther apart than this look alike (measured on the demo's pictures at other sizes, crops and qualities). */
export const ALIKE_WITHIN = 8;
