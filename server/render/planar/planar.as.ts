// AssemblyScript: compiled to planar.wasm by `npm run wasm`. Frames as canvases have them (RGBA, full range) become frames
// as video encoders want them: planes of Y, U and V, BT.709 in studio range, chroma at half the width and height.
//
// Formulas: ITU-R BT.709-6, 3.2 to 3.4 (luma, colour differences, quantization). Chroma is the mean of two pixels beside
// each other, and of eight rows weighted by a cubic (B = 0, C = 0.6) as Mitchell and Netravali (1988) describe it.

/** Coefficients of Y, in 2^-15: 219/255 of 0.2126, 0.7152, 0.0722. */
const YR: i16 = 5983;
const YG: i16 = 20127;
const YB: i16 = 2032;
/** Of U and V, in 2^-15: 224/255 of the differences from Y, divided by 1.8556 and 1.5748. */
const UR: i16 = -3298;
const UG: i16 = -11094;
const UB: i16 = 14392;
const VR: i16 = 14392;
const VG: i16 = -13073;
const VB: i16 = -1319;
/** Weights of the rows 1, 2, 3 and 4 half rows away, in 2^-14; each stands for two rows. */
const NEAR: i16 = 7142;
const NEXT: i16 = 1971;
const FAR: i16 = -691;
const FARTHEST: i16 = -230;

/** The sum of pairs of neighbours, for four pixels of three products and a nought each. */
function pairSums(one: v128, other: v128): v128 {
  return i32x4.add(v128.shuffle<i32>(one, other, 0, 2, 4, 6), v128.shuffle<i32>(one, other, 1, 3, 5, 7));
}

/**
 * Converts the rows of a frame from one to before another; the rest of its planes, and what is between, stay from the frame
 * before. `rgba` is where it lies; `out` where its planes go, Y first, then U, then V; `between` where 2 × width ×
 * height / 2 × 2 bytes are free. Width and height are even, the width at least 8: what is left of a row by eights is done
 * with pixels that were done already.
 */
export function convert(rgba: usize, out: usize, between: usize, width: i32, height: i32, from: i32, to: i32): void {
  const half = width >> 1;
  const us = between;
  const vs = between + usize(half * height * 2);
  for (let y = from; y < to; y++)
    convertRow(
      rgba + usize(y * width * 4),
      out + usize(y * width),
      us + usize(y * half * 2),
      vs + usize(y * half * 2),
      width,
    );
  const u = out + usize(width * height);
  const v = u + usize(half * (height >> 1));
  // A row of chroma is made of the eight around it: from three above its first to four below.
  for (let y = max(0, (from - 4) >> 1); y < min(height >> 1, (to + 4) >> 1); y++) {
    weighRows(us, u + usize(y * half), y * 2, half, height);
    weighRows(vs, v + usize(y * half), y * 2, half, height);
  }
}

/** Y of a row, and its chroma at half the width, in 2^-6 around nought. */
function convertRow(from: usize, luma: usize, us: usize, vs: usize, width: i32): void {
  const toY = i16x8(YR, YG, YB, 0, YR, YG, YB, 0);
  const toU = i16x8(UR, UG, UB, 0, UR, UG, UB, 0);
  const toV = i16x8(VR, VG, VB, 0, VR, VG, VB, 0);
  const base = i32x4.splat((16 << 15) + (1 << 14));
  const round = i32x4.splat(1 << 9);
  for (let block = 0; block < width; block += 8) {
    const x = min(block, width - 8);
    const a = v128.load(from + usize(x * 4));
    const b = v128.load(from + usize(x * 4), 16);
    const a0 = i16x8.extend_low_i8x16_u(a);
    const a1 = i16x8.extend_high_i8x16_u(a);
    const b0 = i16x8.extend_low_i8x16_u(b);
    const b1 = i16x8.extend_high_i8x16_u(b);
    const y0 = i32x4.shr_s(i32x4.add(pairSums(i32x4.dot_i16x8_s(a0, toY), i32x4.dot_i16x8_s(a1, toY)), base), 15);
    const y1 = i32x4.shr_s(i32x4.add(pairSums(i32x4.dot_i16x8_s(b0, toY), i32x4.dot_i16x8_s(b1, toY)), base), 15);
    const words = i16x8.narrow_i32x4_s(y0, y1);
    v128.store64_lane(luma + usize(x), i8x16.narrow_i16x8_u(words, words), 0);
    // Two pixels beside each other are added: 9 bits.
    const ab0 = v128.shuffle<i64>(a0, a1, 0, 2);
    const ab1 = v128.shuffle<i64>(a0, a1, 1, 3);
    const ab2 = v128.shuffle<i64>(b0, b1, 0, 2);
    const ab3 = v128.shuffle<i64>(b0, b1, 1, 3);
    const first = i16x8.add(ab0, ab1);
    const second = i16x8.add(ab2, ab3);
    // Of a sum of two in 2^-15 to 2^-6: ten bits fewer.
    const u = i32x4.shr_s(
      i32x4.add(pairSums(i32x4.dot_i16x8_s(first, toU), i32x4.dot_i16x8_s(second, toU)), round),
      10,
    );
    const v = i32x4.shr_s(
      i32x4.add(pairSums(i32x4.dot_i16x8_s(first, toV), i32x4.dot_i16x8_s(second, toV)), round),
      10,
    );
    v128.store64_lane(us + usize(x), i16x8.narrow_i32x4_s(u, u), 0);
    v128.store64_lane(vs + usize(x), i16x8.narrow_i32x4_s(v, v), 0);
  }
}

/** A row of chroma of the eight rows around it; beyond the edges the last row counts again. */
function weighRows(rows: usize, to: usize, top: i32, half: i32, height: i32): void {
  const bytes = half * 2;
  const last = height - 1;
  const r0 = rows + usize(max(0, top - 3) * bytes);
  const r1 = rows + usize(max(0, top - 2) * bytes);
  const r2 = rows + usize(max(0, top - 1) * bytes);
  const r3 = rows + usize(top * bytes);
  const r4 = rows + usize(min(last, top + 1) * bytes);
  const r5 = rows + usize(min(last, top + 2) * bytes);
  const r6 = rows + usize(min(last, top + 3) * bytes);
  const r7 = rows + usize(min(last, top + 4) * bytes);
  const inner = i16x8(NEAR, NEXT, NEAR, NEXT, NEAR, NEXT, NEAR, NEXT);
  const outer = i16x8(FAR, FARTHEST, FAR, FARTHEST, FAR, FARTHEST, FAR, FARTHEST);
  const base = i32x4.splat((128 << 20) + (1 << 19));
  for (let block = 0; block < bytes; block += 8) {
    const x = min(block, bytes - 8);
    const s0 = i16x8.add(v128.load64_zero(r3 + usize(x)), v128.load64_zero(r4 + usize(x)));
    const s1 = i16x8.add(v128.load64_zero(r2 + usize(x)), v128.load64_zero(r5 + usize(x)));
    const s2 = i16x8.add(v128.load64_zero(r1 + usize(x)), v128.load64_zero(r6 + usize(x)));
    const s3 = i16x8.add(v128.load64_zero(r0 + usize(x)), v128.load64_zero(r7 + usize(x)));
    const near = v128.shuffle<i16>(s0, s1, 0, 8, 1, 9, 2, 10, 3, 11);
    const far = v128.shuffle<i16>(s2, s3, 0, 8, 1, 9, 2, 10, 3, 11);
    const sum = i32x4.add(i32x4.dot_i16x8_s(near, inner), i32x4.dot_i16x8_s(far, outer));
    const value = i32x4.shr_s(i32x4.add(sum, base), 20);
    const words = i16x8.narrow_i32x4_s(value, value);
    v128.store32_lane(to + usize(x >> 1), i8x16.narrow_i16x8_u(words, words), 0);
  }
}
