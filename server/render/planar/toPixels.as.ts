// AssemblyScript, part of planar.as.ts. Frames as video decoders give them (planes of Y, U and V, BT.709 in studio range, chroma
// at half the width and height) become frames as canvases want them: RGBA in full range.
//
// Formulas: ITU-R BT.709-6, 3.2 to 3.4 (luma, colour differences, quantization), solved for red, green and blue. Between
// samples of chroma lies a cubic (B = 0, C = 0.6) as Mitchell and Netravali (1988) describe it; a sample lies in the middle
// of its four pixels.

import { coefficients, firstOf, highPairs, lowPairs, secondOf, weighPairs } from "./lanes.as";

/** Weights of the samples a quarter, three, five and seven quarters of their distance away, in 2^-15. */
const NEAREST: i16 = 28564;
const NEAR: i16 = 7886;
const FAR: i16 = -2762;
const FARTHEST: i16 = -920;
/** Of Y, U and V, in 2^-13: 255/219, and 255/224 of 1.5748, 1.8556 and their shares of green. */
const OF_Y: i16 = 9539;
const RED_OF_V: i16 = 14686;
const GREEN_OF_U: i16 = -1747;
const GREEN_OF_V: i16 = -4366;
const BLUE_OF_U: i16 = 17305;
/** Black, which is 16 in studio range, less the half that rounds: in 2^-5. */
const BLACK: i16 = 580;
/** What is added to sums in 2^-15 before eight bits are left out: a half rounds, and 128 is no colour. */
const NO_COLOUR: i32 = (1 << 7) - (128 << 15);
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
  const nearest = plane + usize(middle * half);
  const near = plane + usize(within(middle + towards, rows) * half);
  const far = plane + usize(within(middle - towards, rows) * half);
  const farthest = plane + usize(within(middle + 2 * towards, rows) * half);
  const ofInner = coefficients(NEAREST, NEAR);
  const ofOuter = coefficients(FAR, FARTHEST);
  // Two samples more at both ends, as far as there are any, by eights.
  const last = min(half, (right >> 1) + 8);
  for (let block = max(0, (left >> 1) - 8); block < last; block += 8) {
    const x = usize(min(block, last - 8));
    const a = v128.load8x8_u(nearest + x);
    const b = v128.load8x8_u(near + x);
    const c = v128.load8x8_u(far + x);
    const d = v128.load8x8_u(farthest + x);
    const low = weighPairs(lowPairs(a, b), lowPairs(c, d), ofInner, ofOuter);
    const high = weighPairs(highPairs(a, b), highPairs(c, d), ofInner, ofOuter);
    v128.store(to + x * 2, aroundNought(low, high));
  }
  const end = to + usize(half * 2);
  store<i32>(to - 4, i32(load<u16>(to)) * 0x10001);
  store<i32>(end, i32(load<u16>(end - 2)) * 0x10001);
}

/** Eight sums in 2^-15, in 2^-7 around nought. */
function aroundNought(low: v128, high: v128): v128 {
  const middle = i32x4.splat(NO_COLOUR);
  return i16x8.narrow_i32x4_s(i32x4.shr_s(i32x4.add(low, middle), 8), i32x4.shr_s(i32x4.add(high, middle), 8));
}

function within(row: i32, rows: i32): i32 {
  return max(0, min(rows - 1, row));
}

/**
 * Chroma at eight pixels, of which each lies a quarter before or behind its nearest sample.
 *
 * @param before the samples before the nearest ones, and `behind` those behind @param beyond those two away, on the pixels' side
 * @param ofBoth weights of the samples before and behind
 */
function at(nearest: v128, before: v128, behind: v128, beyond: v128, ofBoth: v128): v128 {
  const ofEnds = coefficients(NEAREST, FARTHEST);
  const low = weighPairs(lowPairs(before, behind), lowPairs(nearest, beyond), ofBoth, ofEnds);
  const high = weighPairs(highPairs(before, behind), highPairs(nearest, beyond), ofBoth, ofEnds);
  return i16x8.narrow_i32x4_s(i32x4.shr_s(low, 15), i32x4.shr_s(high, 15));
}

/** Chroma at the pixels before the middle of their samples. */
function atStarts(samples: usize): v128 {
  return at(
    v128.load(samples),
    v128.load(samples - 2),
    v128.load(samples + 2),
    v128.load(samples - 4),
    coefficients(NEAR, FAR),
  );
}

/** Chroma at the pixels behind it. */
function atEnds(samples: usize): v128 {
  return at(
    v128.load(samples),
    v128.load(samples - 2),
    v128.load(samples + 2),
    v128.load(samples + 4),
    coefficients(FAR, NEAR),
  );
}

/** A row of pixels of its Y and chroma. */
function convertRow(luma: usize, us: usize, vs: usize, to: usize, left: i32, right: i32): void {
  const opaque = i8x16.splat(-1);
  for (let block = left; block < right; block += 16) {
    const x = usize(min(block, right - 16));
    const pairs = v128.load(luma + x);
    // Of each pair of pixels, the first lies before the middle of its sample, the second behind.
    const u0 = atStarts(us + x);
    const u1 = atEnds(us + x);
    const v0 = atStarts(vs + x);
    const v1 = atEnds(vs + x);
    const y0 = lightness(firstOf(pairs));
    const y1 = lightness(secondOf(pairs));
    const red = inBytes(added(y0, v0, RED_OF_V), added(y1, v1, RED_OF_V));
    const green = inBytes(
      added(added(y0, u0, GREEN_OF_U), v0, GREEN_OF_V),
      added(added(y1, u1, GREEN_OF_U), v1, GREEN_OF_V),
    );
    const blue = inBytes(added(y0, u0, BLUE_OF_U), added(y1, u1, BLUE_OF_U));
    const rg0 = v128.shuffle<i8>(red, green, 0, 16, 8, 24, 1, 17, 9, 25, 2, 18, 10, 26, 3, 19, 11, 27);
    const rg1 = v128.shuffle<i8>(red, green, 4, 20, 12, 28, 5, 21, 13, 29, 6, 22, 14, 30, 7, 23, 15, 31);
    const ba0 = v128.shuffle<i8>(blue, opaque, 0, 16, 8, 24, 1, 17, 9, 25, 2, 18, 10, 26, 3, 19, 11, 27);
    const ba1 = v128.shuffle<i8>(blue, opaque, 4, 20, 12, 28, 5, 21, 13, 29, 6, 22, 14, 30, 7, 23, 15, 31);
    const pixels = to + x * 4;
    v128.store(pixels, v128.shuffle<i16>(rg0, ba0, 0, 8, 1, 9, 2, 10, 3, 11));
    v128.store(pixels, v128.shuffle<i16>(rg0, ba0, 4, 12, 5, 13, 6, 14, 7, 15), 16);
    v128.store(pixels, v128.shuffle<i16>(rg1, ba1, 0, 8, 1, 9, 2, 10, 3, 11), 32);
    v128.store(pixels, v128.shuffle<i16>(rg1, ba1, 4, 12, 5, 13, 6, 14, 7, 15), 48);
  }
}

/** What eight values of Y in 2^-7 are in full range, in 2^-5. */
function lightness(luma: v128): v128 {
  return i16x8.sub(i16x8.q15mulr_sat_s(luma, i16x8.splat(OF_Y)), i16x8.splat(BLACK));
}

function added(value: v128, chroma: v128, coefficient: i16): v128 {
  return i16x8.add(value, i16x8.q15mulr_sat_s(chroma, i16x8.splat(coefficient)));
}

/** Sixteen values in 2^-5 as bytes. */
function inBytes(one: v128, other: v128): v128 {
  return i8x16.narrow_i16x8_u(i16x8.shr_s(one, 5), i16x8.shr_s(other, 5));
}
