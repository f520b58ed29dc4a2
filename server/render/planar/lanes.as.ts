// AssemblyScript, part of planar.as.ts: values that lie in pairs.

/** The first byte of each pair, in 2^-7. */
export function firstOf(pairs: v128): v128 {
  return i16x8.shr_u(i16x8.shl(pairs, 8), 1);
}

/** The second byte of each pair, in 2^-7. */
export function secondOf(pairs: v128): v128 {
  return i16x8.shl(i16x8.shr_u(pairs, 8), 7);
}

/** The first four words of one and of another, in pairs. */
export function lowPairs(one: v128, other: v128): v128 {
  return v128.shuffle<i16>(one, other, 0, 8, 1, 9, 2, 10, 3, 11);
}

/** The last four words of one and of another, in pairs. */
export function highPairs(one: v128, other: v128): v128 {
  return v128.shuffle<i16>(one, other, 4, 12, 5, 13, 6, 14, 7, 15);
}

/** The first eight bytes of one and of another, in pairs. */
export function lowBytePairs(one: v128, other: v128): v128 {
  return v128.shuffle<i8>(one, other, 0, 16, 1, 17, 2, 18, 3, 19, 4, 20, 5, 21, 6, 22, 7, 23);
}

/** The last eight bytes of one and of another, in pairs. */
export function highBytePairs(one: v128, other: v128): v128 {
  return v128.shuffle<i8>(one, other, 8, 24, 9, 25, 10, 26, 11, 27, 12, 28, 13, 29, 14, 30, 15, 31);
}

/** Of four pairs and four others, the sum of all words, each times its coefficient. */
export function weighPairs(one: v128, other: v128, ofOne: v128, ofOther: v128): v128 {
  return i32x4.add(i32x4.dot_i16x8_s(one, ofOne), i32x4.dot_i16x8_s(other, ofOther));
}
