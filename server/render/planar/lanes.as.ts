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

/** Coefficients of pairs of words. */
export function coefficients(one: i16, other: i16): v128 {
  return i16x8(one, other, one, other, one, other, one, other);
}

/** Of four pairs and four others, the sum of all words, each times its coefficient. */
export function weighPairs(one: v128, other: v128, ofOne: v128, ofOther: v128): v128 {
  return i32x4.add(i32x4.dot_i16x8_s(one, ofOne), i32x4.dot_i16x8_s(other, ofOther));
}
