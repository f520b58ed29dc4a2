// AssemblyScript, part of planar.as.ts. Rows of RGBA pixels, colours times their alpha as canvases keep them, are resampled
// and laid over one another. Numbers are rounded as the canvas that paints on the server rounds them, so that a frame that is
// put together here is the one that it would paint.
//
// Formulas: bilinear interpolation; "source over" of W3C Compositing and Blending 1, 9.1.4.

import { highBytePairs, lowBytePairs } from "./lanes.as";

/** Weights are sixteenths. */
const WHOLE = memory.data<i16>([16]);
/** How much of what is below is seen through what covers nothing. */
const ALL = memory.data<i16>([256]);
const NOUGHT = memory.data<i16>([0]);
/** Bytes of a pixel of two rows, words of 16 bits: four channels of the one, then four of the other. */
const PAIRED: usize = 16;

/** Between two rows, what lies `share` sixteenths of the way to the other: two pixels in 2^-4. */
function twoBetween(one: v128, other: v128, rest: v128, share: v128): v128 {
  return i16x8.add(i16x8.mul(one, rest), i16x8.mul(other, share));
}

/** Where the rows are that a row lies between, and the share of the other, as three words of 32 bits say it. */
function rowOf(picture: usize, stride: i32, rows: usize, which: i32): usize {
  return picture + usize(load<i32>(rows + (usize(which) << 2)) * stride);
}

/** Two rows of pixels, each between two of a picture, side by side. Reads up to three pixels more, and writes as many. */
function pairRows(picture: usize, stride: i32, rows: usize, next: usize, out: usize, pixels: i32): void {
  let a0 = rowOf(picture, stride, rows, 0);
  let a1 = rowOf(picture, stride, rows, 1);
  let b0 = rowOf(picture, stride, next, 0);
  let b1 = rowOf(picture, stride, next, 1);
  const ofA = v128.load16_splat(rows, 8);
  const ofB = v128.load16_splat(next, 8);
  const whole = v128.load16_splat(WHOLE);
  const nought = v128.load16_splat(NOUGHT);
  const end = out + usize(pixels) * PAIRED;
  for (let to = out; to < end; to += 4 * PAIRED) {
    const a = v128.load(a0);
    const c = v128.load(a1);
    const b = v128.load(b0);
    const d = v128.load(b1);
    const restA = i16x8.sub(whole, ofA);
    const restB = i16x8.sub(whole, ofB);
    const lowA = twoBetween(lowBytePairs(a, nought), lowBytePairs(c, nought), restA, ofA);
    const lowB = twoBetween(lowBytePairs(b, nought), lowBytePairs(d, nought), restB, ofB);
    const highA = twoBetween(highBytePairs(a, nought), highBytePairs(c, nought), restA, ofA);
    const highB = twoBetween(highBytePairs(b, nought), highBytePairs(d, nought), restB, ofB);
    v128.store(to, v128.shuffle<i64>(lowA, lowB, 0, 2));
    v128.store(to, v128.shuffle<i64>(lowA, lowB, 1, 3), 16);
    v128.store(to, v128.shuffle<i64>(highA, highB, 0, 2), 32);
    v128.store(to, v128.shuffle<i64>(highA, highB, 1, 3), 48);
    a0 += 16;
    a1 += 16;
    b0 += 16;
    b1 += 16;
  }
}

/** A column of two rows: between the one that it begins with and the next. */
function columnAt(paired: usize, column: usize): v128 {
  const at = paired + usize(load<u16>(column)) * PAIRED;
  const left = v128.load(at);
  const share = v128.load16_splat(column, 2);
  const sum = i16x8.add(i16x8.shl(left, 4), i16x8.mul(i16x8.sub(v128.load(at, 16), left), share));
  return i16x8.shr_u(sum, 8);
}

/** Pixels of two rows between the columns of what `pairRows` made. At least four: what is left by fours is made again. */
function pairColumns(paired: usize, columns: usize, out: usize, next: usize, pixels: i32): void {
  for (let rest = pixels; rest > 0;) {
    const one = i8x16.narrow_i16x8_u(columnAt(paired, columns), columnAt(paired, columns + 4));
    const other = i8x16.narrow_i16x8_u(columnAt(paired, columns + 8), columnAt(paired, columns + 12));
    v128.store(out, v128.shuffle<i32>(one, other, 0, 2, 4, 6));
    v128.store(next, v128.shuffle<i32>(one, other, 1, 3, 5, 7));
    rest -= 4;
    const step = usize(min(4, max(0, rest))) << 2;
    columns += step;
    out += step;
    next += step;
  }
}

/**
 * Draws so many rows of a picture, resampled. `picture` is where the first pixel of its first row is that is read, its rows
 * `stride` bytes apart, of each of which `read` pixels are read. For each row, `rows` has the two of the picture that it lies
 * between and the sixteenths of the way to the other, words of 32 bits; for each of `pixels` pixels, at least four, `columns`
 * has the number of the one that it begins with, counted from `skipped` before the first that is read, and the sixteenths of
 * the way to the next, words of 16 bits. `out` is where the first of them goes, its rows `outStride` bytes apart; at `paired`,
 * (read + 4) × 16 bytes are free.
 */
export function drawRows(
  picture: usize,
  stride: i32,
  read: i32,
  rows: usize,
  count: i32,
  columns: usize,
  pixels: i32,
  skipped: i32,
  paired: usize,
  out: usize,
  outStride: i32,
): void {
  const counted = paired - usize(skipped) * PAIRED;
  for (let row = 0; row < count; row += 2) {
    // An odd row at the end is made twice.
    const next = min(row + 1, count - 1);
    pairRows(picture, stride, rows + usize(row * 12), rows + usize(next * 12), paired, read);
    pairColumns(counted, columns, out + usize(row * outStride), out + usize(next * outStride), pixels);
  }
}

/** The alpha of two pixels, for each of their channels. */
function alphasOf(pixels: v128): v128 {
  return v128.shuffle<i16>(pixels, pixels, 3, 3, 3, 3, 7, 7, 7, 7);
}

/** What is seen of two pixels below two others. */
function seenBelow(above: v128, below: v128, all: v128): v128 {
  return i16x8.shr_u(i16x8.mul(below, i16x8.sub(all, alphasOf(above))), 8);
}

/** Four pixels over four others. */
function over(above: v128, below: v128, all: v128, nought: v128): v128 {
  const low = seenBelow(lowBytePairs(above, nought), lowBytePairs(below, nought), all);
  const high = seenBelow(highBytePairs(above, nought), highBytePairs(below, nought), all);
  return i8x16.add_sat_u(above, i8x16.narrow_i16x8_u(low, high));
}

/** Sets rows of pixels to one: a word of 32 bits. At least four pixels: what is left by fours is set again. */
export function fillRows(pixel: i32, to: usize, stride: i32, pixels: i32, rows: i32): void {
  const four = i32x4.splat(pixel);
  for (let row = 0; row < rows; row++) {
    const at = to + usize(row * stride);
    for (let block = 0; block < pixels; block += 4) v128.store(at + (usize(min(block, pixels - 4)) << 2), four);
  }
}

/** Lays rows of pixels over those at `to`. Rows are so many bytes apart here and there. */
export function layRows(from: usize, stride: i32, to: usize, toStride: i32, pixels: i32, rows: i32): void {
  for (let row = 0; row < rows; row++) layOver(from + usize(row * stride), to + usize(row * toStride), pixels);
}

function layOver(from: usize, to: usize, pixels: i32): void {
  const all = v128.load16_splat(ALL);
  const nought = v128.load16_splat(NOUGHT);
  const bytes = usize(pixels) << 2;
  const even = bytes & ~15;
  for (let at: usize = 0; at < even; at += 16) {
    const above = v128.load(from + at);
    if (v128.any_true(above)) v128.store(to + at, over(above, v128.load(to + at), all, nought));
  }
  for (let at = even; at < bytes; at += 4)
    v128.store32_lane(to + at, over(v128.load32_zero(from + at), v128.load32_zero(to + at), all, nought), 0);
}

/** Two pixels, faded, over two others. What they leave of those below is 256 less what they cover, rounded. */
function twoFaded(above: v128, below: v128, share: v128): v128 {
  const rest = i16x8.sub(i16x8.splat(-1), i16x8.mul(alphasOf(above), share));
  // 256 where hardly anything is covered: the sum has one bit more than a word there.
  const isAll = i16x8.ge_u(rest, i16x8.splat(i16(0xff01)));
  const left = i16x8.sub(i16x8.shr_u(i16x8.add_sat_u(rest, i16x8.shr_u(rest, 8)), 8), isAll);
  return i16x8.shr_u(i16x8.add(i16x8.mul(above, share), i16x8.mul(below, left)), 8);
}

/** Four pixels, faded, over four others. */
function fadedOver(above: v128, below: v128, share: v128): v128 {
  const low = twoFaded(i16x8.extend_low_i8x16_u(above), i16x8.extend_low_i8x16_u(below), share);
  const high = twoFaded(i16x8.extend_high_i8x16_u(above), i16x8.extend_high_i8x16_u(below), share);
  return i8x16.narrow_i16x8_u(low, high);
}

/** As `layRows`, faded to `alpha` of 255. */
export function layFadedRows(
  from: usize,
  stride: i32,
  to: usize,
  toStride: i32,
  pixels: i32,
  rows: i32,
  alpha: i32,
): void {
  for (let row = 0; row < rows; row++) layFaded(from + usize(row * stride), to + usize(row * toStride), pixels, alpha);
}

function layFaded(from: usize, to: usize, pixels: i32, alpha: i32): void {
  const share = i16x8.splat(i16(alpha + 1));
  const bytes = usize(pixels) << 2;
  const even = bytes & ~15;
  for (let at: usize = 0; at < even; at += 16) {
    const above = v128.load(from + at);
    if (v128.any_true(above)) v128.store(to + at, fadedOver(above, v128.load(to + at), share));
  }
  for (let at = even; at < bytes; at += 4)
    v128.store32_lane(to + at, fadedOver(v128.load32_zero(from + at), v128.load32_zero(to + at), share), 0);
}
