// AssemblyScript, part of planar.as.ts: bytes that lie in pairs, eight pairs at a time.

/** The first byte of each pair, in 2^-7. */
export function firstOf(pairs: v128): v128 {
  return i16x8.shr_u(i16x8.shl(pairs, 8), 1);
}

/** The second byte of each pair, in 2^-7. */
export function secondOf(pairs: v128): v128 {
  return i16x8.shl(i16x8.shr_u(pairs, 8), 7);
}
