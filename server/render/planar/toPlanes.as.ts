// AssemblyScript, part of planar.as.ts. Frames as canvases have them (RGBA, full range) become frames as video encoders want
// them: planes of Y, U and V, BT.709 in studio range, chroma at half the width and height.
//
// Formulas: ITU-R BT.709-6, 3.2 to 3.4 (luma, colour differences, quantization). Chroma is the mean of two pixels beside
// each other, and of eight rows weighted by a cubic (B = 0, C = 0.6) as Mitchell and Netravali (1988) describe it.

import { highPairs, lowPairs, weighPairs } from "./lanes.as";

/** Coefficients of Y, in 2^-15: 219/255 of 0.2126, 0.7152, 0.0722; of alpha, which is 255, what black and rounding take. */
const Y_OF_RED_BLUE = memory.data<i16>([5983, 2032]);
const Y_OF_GREEN_ALPHA = memory.data<i16>([20127, 2120]);
/** Of U and V, in 2^-16: 224/255 of the differences from Y, divided by 1.8556 and 1.5748. Twice alpha rounds. */
const U_OF_RED_BLUE = memory.data<i16>([-6597, 28785]);
const U_OF_GREEN_ALPHA = memory.data<i16>([-22188, 1]);
const V_OF_RED_BLUE = memory.data<i16>([28785, -2639]);
const V_OF_GREEN_ALPHA = memory.data<i16>([-26145, 1]);
/** The bits of a pixel that red and blue have. */
const RED_BLUE = memory.data<u32>([0x00ff00ff]);
/** Weights of the rows 1 and 2, then 3 and 4 half rows away, in 2^-15; each stands for two rows. */
const OF_NEAR = memory.data<i16>([14284, 3942]);
const OF_FAR = memory.data<i16>([-1382, -460]);
/** What is added before 22 bits are left out: a half rounds, and 128 is no colour. */
const MIDDLE = memory.data<i32>([(128 << 22) + (1 << 21)]);

/** So many rows of chroma at half the width are kept, one over the one so many before: eight are needed at once. */
const KEPT_ROWS = 16;

/**
 * Converts so many columns of so many rows of a frame, from `left` and `y` on: `rgba` is where the rows lie, one after the other.
 * They follow on those that were converted last, or begin at `first`. `out` is where the planes of the whole frame lie, Y first,
 * then U, then V; `between` where 2 × width / 2 × KEPT_ROWS × 2 bytes are kept from call to call. Chroma is weighed where the
 * eight rows around it are converted, or lie beyond the frame's edges; elsewhere it stays. `left`, columns, width and height are
 * even, columns at least 16: what is left of a row by sixteens is done with pixels that were done already.
 */
export function toPlanes(
  rgba: usize,
  out: usize,
  between: usize,
  width: i32,
  height: i32,
  left: i32,
  columns: i32,
  first: i32,
  y: i32,
  count: i32,
): void {
  const half = width >> 1;
  // A word of 16 bits is kept for two pixels.
  const us = between + usize(left);
  const vs = us + usize(half * KEPT_ROWS * 2);
  const u = out + usize(width * height) + usize(left >> 1);
  const v = u + usize(half * (height >> 1));
  for (let row = 0; row < count; row++) {
    const at = y + row;
    const kept = usize((at & (KEPT_ROWS - 1)) * half * 2);
    const from = rgba + usize((row * width + left) * 4);
    convertRow(from, out + usize(at * width + left), us + kept, vs + kept, columns);
    // From three rows above the first of its two to four below: in time to find them in the processor's cache.
    const top = at - 4;
    if ((top & 1) == 0 && top >= 0 && (first == 0 || top - 3 >= first))
      weighBoth(us, vs, u, v, top, half, columns, height);
  }
  if (y + count < height) return;
  for (let top = max(0, height - 4); top < height; top += 2)
    if (first == 0 || top - 3 >= first) weighBoth(us, vs, u, v, top, half, columns, height);
}

/** A row of U and one of V, at a pair of rows of pixels. */
function weighBoth(us: usize, vs: usize, u: usize, v: usize, top: i32, half: i32, columns: i32, height: i32): void {
  const to = usize((top >> 1) * half);
  weighRows(us, u + to, top, half, columns, height);
  weighRows(vs, v + to, top, half, columns, height);
}

/** Y of four pixels. */
function luma(rb: v128, ga: v128, ofRB: v128, ofGA: v128): v128 {
  return i32x4.shr_u(weighPairs(rb, ga, ofRB, ofGA), 15);
}

/** U or V of eight sums of two pixels, in 2^-7 around nought. */
function chroma(rb0: v128, ga0: v128, rb1: v128, ga1: v128, ofRB: v128, ofGA: v128): v128 {
  const one = i32x4.shr_s(weighPairs(rb0, ga0, ofRB, ofGA), 10);
  return i16x8.narrow_i32x4_s(one, i32x4.shr_s(weighPairs(rb1, ga1, ofRB, ofGA), 10));
}

/** Y of a row, and its chroma at half the width, in 2^-7 around nought. */
function convertRow(from: usize, lumaTo: usize, us: usize, vs: usize, columns: i32): void {
  const redBlue = v128.load32_splat(RED_BLUE);
  const yRB = v128.load32_splat(Y_OF_RED_BLUE);
  const yGA = v128.load32_splat(Y_OF_GREEN_ALPHA);
  const uRB = v128.load32_splat(U_OF_RED_BLUE);
  const uGA = v128.load32_splat(U_OF_GREEN_ALPHA);
  const vRB = v128.load32_splat(V_OF_RED_BLUE);
  const vGA = v128.load32_splat(V_OF_GREEN_ALPHA);
  for (let block = 0; block < columns; block += 16) {
    const x = usize(min(block, columns - 16));
    const at = from + x * 4;
    const a = v128.load(at);
    const b = v128.load(at, 16);
    const c = v128.load(at, 32);
    const d = v128.load(at, 48);
    // Pixels with even numbers in one, those with odd numbers in another: what lies beside each other in the row does so here.
    const even0 = v128.shuffle<i32>(a, b, 0, 2, 4, 6);
    const even1 = v128.shuffle<i32>(c, d, 0, 2, 4, 6);
    const odd0 = v128.shuffle<i32>(a, b, 1, 3, 5, 7);
    const odd1 = v128.shuffle<i32>(c, d, 1, 3, 5, 7);
    const evenRB0 = v128.and(even0, redBlue);
    const evenGA0 = i16x8.shr_u(even0, 8);
    const evenRB1 = v128.and(even1, redBlue);
    const evenGA1 = i16x8.shr_u(even1, 8);
    const oddRB0 = v128.and(odd0, redBlue);
    const oddGA0 = i16x8.shr_u(odd0, 8);
    const oddRB1 = v128.and(odd1, redBlue);
    const oddGA1 = i16x8.shr_u(odd1, 8);
    const evenY = i16x8.narrow_i32x4_s(luma(evenRB0, evenGA0, yRB, yGA), luma(evenRB1, evenGA1, yRB, yGA));
    const oddY = i16x8.narrow_i32x4_s(luma(oddRB0, oddGA0, yRB, yGA), luma(oddRB1, oddGA1, yRB, yGA));
    v128.store(lumaTo + x, v128.or(evenY, i16x8.shl(oddY, 8)));
    const rb0 = i16x8.add(evenRB0, oddRB0);
    const ga0 = i16x8.add(evenGA0, oddGA0);
    const rb1 = i16x8.add(evenRB1, oddRB1);
    const ga1 = i16x8.add(evenGA1, oddGA1);
    v128.store(us + x, chroma(rb0, ga0, rb1, ga1, uRB, uGA));
    v128.store(vs + x, chroma(rb0, ga0, rb1, ga1, vRB, vGA));
  }
}

/** The sum of eight values in each of two rows. */
function summed(one: usize, other: usize): v128 {
  return i16x8.add(v128.load(one), v128.load(other));
}

/** Where a row is kept. */
function keptAt(rows: usize, row: i32, bytes: i32): usize {
  return rows + usize((row & (KEPT_ROWS - 1)) * bytes);
}

/** A row of chroma of the eight rows around it, for so many columns; beyond the edges the last row counts again. */
function weighRows(rows: usize, to: usize, top: i32, half: i32, columns: i32, height: i32): void {
  const bytes = half * 2;
  const last = height - 1;
  let r0 = keptAt(rows, max(0, top - 3), bytes);
  let r1 = keptAt(rows, max(0, top - 2), bytes);
  let r2 = keptAt(rows, max(0, top - 1), bytes);
  let r3 = keptAt(rows, top, bytes);
  let r4 = keptAt(rows, min(last, top + 1), bytes);
  let r5 = keptAt(rows, min(last, top + 2), bytes);
  let r6 = keptAt(rows, min(last, top + 3), bytes);
  let r7 = keptAt(rows, min(last, top + 4), bytes);
  const ofNear = v128.load32_splat(OF_NEAR);
  const ofFar = v128.load32_splat(OF_FAR);
  const middle = v128.load32_splat(MIDDLE);
  for (let rest = columns; rest > 0;) {
    const near = summed(r3, r4);
    const next = summed(r2, r5);
    const far = summed(r1, r6);
    const farthest = summed(r0, r7);
    const low = weighPairs(lowPairs(near, next), lowPairs(far, farthest), ofNear, ofFar);
    const high = weighPairs(highPairs(near, next), highPairs(far, farthest), ofNear, ofFar);
    const words = i16x8.narrow_i32x4_s(
      i32x4.shr_s(i32x4.add(low, middle), 22),
      i32x4.shr_s(i32x4.add(high, middle), 22),
    );
    v128.store64_lane(to, i8x16.narrow_i16x8_u(words, words), 0);
    rest -= 16;
    // What is left by sixteens is weighed with sums that were weighed already.
    const step = usize(min(16, max(0, rest)));
    r0 += step;
    r1 += step;
    r2 += step;
    r3 += step;
    r4 += step;
    r5 += step;
    r6 += step;
    r7 += step;
    to += step >> 1;
  }
}
