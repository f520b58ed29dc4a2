// AssemblyScript, part of planar.as.ts. Frames as canvases have them (RGBA, full range) become frames as video encoders want
// them: planes of Y, U and V, BT.709 in studio range, chroma at half the width and height.
//
// Formulas: ITU-R BT.709-6, 3.2 to 3.4 (luma, colour differences, quantization). Chroma is the mean of two pixels beside
// each other, and of eight rows weighted by a cubic (B = 0, C = 0.6) as Mitchell and Netravali (1988) describe it.

import { firstOf, secondOf } from "./lanes.as";

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
/** Weights of the rows 1, 2, 3 and 4 half rows away, in 2^-15; each stands for two rows. */
const NEAR: i16 = 14284;
const NEXT: i16 = 3942;
const FAR: i16 = -1382;
const FARTHEST: i16 = -460;
/** Rows of chroma are kept in 2^-7: half of that rounds. */
const HALF: i16 = 64;

/** So many rows of chroma at half the width are kept, one over the one so many before: eight are needed at once. */
const KEPT_ROWS = 16;

/**
 * Converts so many rows of a frame, from `y` on: `rgba` is where they lie, one after the other. They follow on those that were
 * converted last, or begin at `first`. `out` is where the planes of the whole frame lie, Y first,
 * then U, then V; `between` where 2 × width / 2 × KEPT_ROWS × 2 bytes are kept from call to call. Chroma is weighed where the
 * eight rows around it are converted, or lie beyond the frame's edges; elsewhere it stays. Width and height are even, the
 * width at least 16: what is left of a row by sixteens is done with pixels that were done already.
 */
export function toPlanes(
  rgba: usize,
  out: usize,
  between: usize,
  width: i32,
  height: i32,
  first: i32,
  y: i32,
  count: i32,
): void {
  const half = width >> 1;
  const vs = between + usize(half * KEPT_ROWS * 2);
  const u = out + usize(width * height);
  const v = u + usize(half * (height >> 1));
  for (let row = 0; row < count; row++) {
    const at = y + row;
    const kept = usize((at & (KEPT_ROWS - 1)) * half * 2);
    convertRow(rgba + usize(row * width * 4), out + usize(at * width), between + kept, vs + kept, width);
    // From three rows above the first of its two to four below: in time to find them in the processor's cache.
    const top = at - 4;
    if ((top & 1) == 0 && top >= 0 && (first == 0 || top - 3 >= first)) weighBoth(between, vs, u, v, top, half, height);
  }
  if (y + count < height) return;
  for (let top = max(0, height - 4); top < height; top += 2)
    if (first == 0 || top - 3 >= first) weighBoth(between, vs, u, v, top, half, height);
}

/** A row of U and one of V, at a pair of rows of pixels. */
function weighBoth(us: usize, vs: usize, u: usize, v: usize, top: i32, half: i32, height: i32): void {
  const to = usize((top >> 1) * half);
  weighRows(us, u + to, top, half, height);
  weighRows(vs, v + to, top, half, height);
}

/** Red, green and blue, each times its coefficient. */
function weigh(red: v128, green: v128, blue: v128, ofRed: v128, ofGreen: v128, ofBlue: v128): v128 {
  return i16x8.add(
    i16x8.add(i16x8.q15mulr_sat_s(red, ofRed), i16x8.q15mulr_sat_s(green, ofGreen)),
    i16x8.q15mulr_sat_s(blue, ofBlue),
  );
}

/** Y of a row, and its chroma at half the width, in 2^-7 around nought. */
function convertRow(from: usize, luma: usize, us: usize, vs: usize, width: i32): void {
  const base = i16x8.splat((16 << 7) + HALF);
  for (let block = 0; block < width; block += 16) {
    const x = min(block, width - 16);
    const at = from + usize(x * 4);
    const a = v128.load(at);
    const b = v128.load(at, 16);
    const c = v128.load(at, 32);
    const d = v128.load(at, 48);
    // Pixels with even numbers in one, those with odd numbers in another: what lies beside each other in the row does so here.
    const even0 = v128.shuffle<i32>(a, b, 0, 2, 4, 6);
    const even1 = v128.shuffle<i32>(c, d, 0, 2, 4, 6);
    const odd0 = v128.shuffle<i32>(a, b, 1, 3, 5, 7);
    const odd1 = v128.shuffle<i32>(c, d, 1, 3, 5, 7);
    const evenRG = v128.shuffle<i16>(even0, even1, 0, 2, 4, 6, 8, 10, 12, 14);
    const evenBA = v128.shuffle<i16>(even0, even1, 1, 3, 5, 7, 9, 11, 13, 15);
    const oddRG = v128.shuffle<i16>(odd0, odd1, 0, 2, 4, 6, 8, 10, 12, 14);
    const oddBA = v128.shuffle<i16>(odd0, odd1, 1, 3, 5, 7, 9, 11, 13, 15);
    const r0 = firstOf(evenRG);
    const r1 = firstOf(oddRG);
    const g0 = secondOf(evenRG);
    const g1 = secondOf(oddRG);
    const b0 = firstOf(evenBA);
    const b1 = firstOf(oddBA);
    const yr = i16x8.splat(YR);
    const yg = i16x8.splat(YG);
    const yb = i16x8.splat(YB);
    const y0 = i16x8.shr_u(i16x8.add(weigh(r0, g0, b0, yr, yg, yb), base), 7);
    const y1 = i16x8.shr_u(i16x8.add(weigh(r1, g1, b1, yr, yg, yb), base), 7);
    v128.store(luma + usize(x), v128.or(y0, i16x8.shl(y1, 8)));
    const r = i16x8.avgr_u(r0, r1);
    const g = i16x8.avgr_u(g0, g1);
    const bl = i16x8.avgr_u(b0, b1);
    v128.store(us + usize(x), weigh(r, g, bl, i16x8.splat(UR), i16x8.splat(UG), i16x8.splat(UB)));
    v128.store(vs + usize(x), weigh(r, g, bl, i16x8.splat(VR), i16x8.splat(VG), i16x8.splat(VB)));
  }
}

/** The sum of eight values in each of two rows, times their weight. */
function weighed(one: usize, other: usize, weight: i16): v128 {
  return i16x8.q15mulr_sat_s(i16x8.add(v128.load(one), v128.load(other)), i16x8.splat(weight));
}

/** Where a row is kept. */
function keptAt(rows: usize, row: i32, bytes: i32): usize {
  return rows + usize((row & (KEPT_ROWS - 1)) * bytes);
}

/** A row of chroma of the eight rows around it; beyond the edges the last row counts again. */
function weighRows(rows: usize, to: usize, top: i32, half: i32, height: i32): void {
  const bytes = half * 2;
  const last = height - 1;
  const r0 = keptAt(rows, max(0, top - 3), bytes);
  const r1 = keptAt(rows, max(0, top - 2), bytes);
  const r2 = keptAt(rows, max(0, top - 1), bytes);
  const r3 = keptAt(rows, top, bytes);
  const r4 = keptAt(rows, min(last, top + 1), bytes);
  const r5 = keptAt(rows, min(last, top + 2), bytes);
  const r6 = keptAt(rows, min(last, top + 3), bytes);
  const r7 = keptAt(rows, min(last, top + 4), bytes);
  for (let block = 0; block < bytes; block += 16) {
    const x = usize(min(block, bytes - 16));
    const inner = i16x8.add(weighed(r3 + x, r4 + x, NEAR), weighed(r2 + x, r5 + x, NEXT));
    const outer = i16x8.add(weighed(r1 + x, r6 + x, FAR), weighed(r0 + x, r7 + x, FARTHEST));
    const sum = i16x8.shr_s(i16x8.add(i16x8.add(inner, outer), i16x8.splat(HALF)), 7);
    const words = i16x8.add(sum, i16x8.splat(128));
    v128.store64_lane(to + (x >> 1), i8x16.narrow_i16x8_u(words, words), 0);
  }
}
