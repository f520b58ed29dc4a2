// AssemblyScript, part of planar.as.ts. Frames as video decoders give them (planes of Y, U and V, BT.709 in studio range, chroma
// at half the width and height) become frames as canvases want them: RGBA in full range.
//
// Formulas: ITU-R BT.709-6, 3.2 to 3.4 (luma, colour differences, quantization), solved for red, green and blue. Between
// samples of chroma lies a cubic (B = 0, C = 0.6) as Mitchell and Netravali (1988) describe it; a sample lies in the middle
// of its four pixels.

import { firstOf, highBytePairs, highPairs, lowBytePairs, lowPairs, secondOf, weighPairs } from "./lanes.as";

/** Weights of the samples a quarter, three, five and seven quarters of their distance away, in 2^-15. */
const NEAREST: i16 = 28564;
const NEAR: i16 = 7886;
const FAR: i16 = -2762;
const FARTHEST: i16 = -920;
/** Of rows. */
const OF_NEAR = memory.data<i16>([NEAREST, NEAR]);
const OF_FAR = memory.data<i16>([FAR, FARTHEST]);
/** What is added to sums in 2^-15 before eight bits are left out: a half rounds, and 128 is no colour. */
const NO_COLOUR = memory.data<i32>([(1 << 7) - (128 << 15)]);
/** In a row: of the nearest and the farthest; of the one before and the one behind, for either pixel. */
const OF_ENDS = memory.data<i16>([NEAREST, FARTHEST]);
const OF_BOTH_FIRST = memory.data<i16>([NEAR, FAR]);
const OF_BOTH_SECOND = memory.data<i16>([FAR, NEAR]);
/** Of Y, U and V, in 2^-13: 255/219, and 255/224 of 1.5748, 1.8556 and their shares of green. */
const OF_Y = memory.data<i16>([9539]);
const RED_OF_V = memory.data<i16>([14686]);
const GREEN_OF_U = memory.data<i16>([-1747]);
const GREEN_OF_V = memory.data<i16>([-4366]);
const BLUE_OF_U = memory.data<i16>([17305]);
/** Black, which is 16 in studio range, less the half that rounds: in 2^-5. */
const BLACK = memory.data<i16>([580]);
const OPAQUE = memory.data<i16>([-1]);
/** Free bytes before and after a row, so that it can be read beyond its ends. */
const ROOM = 16;

/**
 * Makes the rows of a frame from one to before another, and of these the columns from `left` to before `right`, which are
 * even and at least 16. `planes` is where its planes lie, Y first, then U, then V; `rgba` where
 * the pixels of the whole frame go; `between` where
 * 2 × (width + 32) bytes are free. Width and height are even, the width at least 16: what is left of a row by sixteens is
 * done with samples that were done already.
 */
export function toPixels(
  planes: usize,
  rgba: usize,
  between: usize,
  width: i32,
  height: i32,
  from: i32,
  to: i32,
  left: i32,
  right: i32,
): void {
  const half = width >> 1;
  const rows = height >> 1;
  const u = planes + usize(width * height);
  const v = u + usize(half * rows);
  const us = between + ROOM;
  const vs = us + usize(width) + 2 * ROOM;
  for (let y = from; y < to; y++) {
    weighRows(u, us, y, half, rows, left, right);
    weighRows(v, vs, y, half, rows, left, right);
    convertRow(planes + usize(y * width), us, vs, rgba + usize(y * width * 4), left, right);
  }
}

/** A row of chroma at a row of pixels, of the four around it, in 2^-7 around nought, and a little beyond its ends. */
function weighRows(plane: usize, to: usize, y: i32, half: i32, rows: i32, left: i32, right: i32): void {
  const middle = y >> 1;
  // Even rows of pixels lie above the row of samples that they are nearest to, odd ones below.
  const towards = (y & 1) * 2 - 1;
  // Two samples more at both ends, as far as there are any, by eights.
  const first = max(0, (left >> 1) - 8);
  let nearest = plane + usize(middle * half + first);
  let near = plane + usize(within(middle + towards, rows) * half + first);
  let far = plane + usize(within(middle - towards, rows) * half + first);
  let farthest = plane + usize(within(middle + 2 * towards, rows) * half + first);
  let sums = to + usize(first * 2);
  const ofNear = v128.load32_splat(OF_NEAR);
  const ofFar = v128.load32_splat(OF_FAR);
  const noColour = v128.load32_splat(NO_COLOUR);
  for (let rest = min(half, (right >> 1) + 8) - first; rest > 0;) {
    const a = v128.load8x8_u(nearest);
    const b = v128.load8x8_u(near);
    const c = v128.load8x8_u(far);
    const d = v128.load8x8_u(farthest);
    const low = i32x4.add(weighPairs(lowPairs(a, b), lowPairs(c, d), ofNear, ofFar), noColour);
    const high = i32x4.add(weighPairs(highPairs(a, b), highPairs(c, d), ofNear, ofFar), noColour);
    v128.store(sums, i16x8.narrow_i32x4_s(i32x4.shr_s(low, 8), i32x4.shr_s(high, 8)));
    rest -= 8;
    // What is left by eights is made with samples that were made already.
    const step = usize(min(8, max(0, rest)));
    nearest += step;
    near += step;
    far += step;
    farthest += step;
    sums += step * 2;
  }
  const end = to + usize(half * 2);
  store<i32>(to - 4, i32(load<u16>(to)) * 0x10001);
  store<i32>(end, i32(load<u16>(end - 2)) * 0x10001);
}

function within(row: i32, rows: i32): i32 {
  return max(0, min(rows - 1, row));
}

/**
 * Chroma at eight pixels, of which each lies a quarter before or behind its nearest sample.
 *
 * @param samples where the nearest ones lie @param beyond those two away, on the pixels' side
 * @param ofBoth weights of the samples before and behind, and `ofEnds` of the nearest and those beyond
 */
function at(samples: usize, beyond: v128, ofBoth: v128, ofEnds: v128): v128 {
  const nearest = v128.load(samples);
  const before = v128.load(samples - 2);
  const behind = v128.load(samples + 2);
  const low = weighPairs(lowPairs(before, behind), lowPairs(nearest, beyond), ofBoth, ofEnds);
  const high = weighPairs(highPairs(before, behind), highPairs(nearest, beyond), ofBoth, ofEnds);
  return i16x8.narrow_i32x4_s(i32x4.shr_s(low, 15), i32x4.shr_s(high, 15));
}

/** A row of pixels of its Y and chroma. */
function convertRow(luma: usize, us: usize, vs: usize, to: usize, left: i32, right: i32): void {
  const ofEnds = v128.load32_splat(OF_ENDS);
  const ofFirst = v128.load32_splat(OF_BOTH_FIRST);
  const ofSecond = v128.load32_splat(OF_BOTH_SECOND);
  const ofY = v128.load16_splat(OF_Y);
  const black = v128.load16_splat(BLACK);
  const redOfV = v128.load16_splat(RED_OF_V);
  const greenOfU = v128.load16_splat(GREEN_OF_U);
  const greenOfV = v128.load16_splat(GREEN_OF_V);
  const blueOfU = v128.load16_splat(BLUE_OF_U);
  const opaque = v128.load16_splat(OPAQUE);
  for (let block = left; block < right; block += 16) {
    const x = usize(min(block, right - 16));
    const pairs = v128.load(luma + x);
    // Of each pair of pixels, the first lies before the middle of its sample, the second behind.
    const u = us + x;
    const v = vs + x;
    const u0 = at(u, v128.load(u - 4), ofFirst, ofEnds);
    const u1 = at(u, v128.load(u + 4), ofSecond, ofEnds);
    const v0 = at(v, v128.load(v - 4), ofFirst, ofEnds);
    const v1 = at(v, v128.load(v + 4), ofSecond, ofEnds);
    const y0 = i16x8.sub(i16x8.q15mulr_sat_s(firstOf(pairs), ofY), black);
    const y1 = i16x8.sub(i16x8.q15mulr_sat_s(secondOf(pairs), ofY), black);
    const red = inBytes(added(y0, v0, redOfV), added(y1, v1, redOfV));
    const green = inBytes(added(added(y0, u0, greenOfU), v0, greenOfV), added(added(y1, u1, greenOfU), v1, greenOfV));
    const blue = inBytes(added(y0, u0, blueOfU), added(y1, u1, blueOfU));
    const firstRG = lowBytePairs(red, green);
    const secondRG = highBytePairs(red, green);
    const firstBA = lowBytePairs(blue, opaque);
    const secondBA = highBytePairs(blue, opaque);
    const first0 = lowPairs(firstRG, firstBA);
    const second0 = lowPairs(secondRG, secondBA);
    const first1 = highPairs(firstRG, firstBA);
    const second1 = highPairs(secondRG, secondBA);
    const pixels = to + x * 4;
    v128.store(pixels, v128.shuffle<i32>(first0, second0, 0, 4, 1, 5));
    v128.store(pixels, v128.shuffle<i32>(first0, second0, 2, 6, 3, 7), 16);
    v128.store(pixels, v128.shuffle<i32>(first1, second1, 0, 4, 1, 5), 32);
    v128.store(pixels, v128.shuffle<i32>(first1, second1, 2, 6, 3, 7), 48);
  }
}

function added(value: v128, chroma: v128, coefficient: v128): v128 {
  return i16x8.add(value, i16x8.q15mulr_sat_s(chroma, coefficient));
}

/** Sixteen values in 2^-5 as bytes. */
function inBytes(one: v128, other: v128): v128 {
  return i8x16.narrow_i16x8_u(i16x8.shr_s(one, 5), i16x8.shr_s(other, 5));
}
