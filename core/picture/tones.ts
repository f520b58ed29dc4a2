import { boundsOf, inverse } from "../geometry/affine";
import { type FramedPicture } from "../geometry/framedPicture";
import { type Rect, type Size, rect } from "../geometry/rect";
import { toLinear } from "../color/srgb";
import { type LookupTable, applyTable } from "../grading/lookupTable";

/**
 * What a picture's pixels are like, place by place, small enough to travel with its facts: for each cell of a grid, six
 * true pixels from its darkest to its lightest, as `rrggbb`. Enough to say what words would stand on anywhere in it.
 */
export type Tones = string;

/** Where in a clip it is measured, as shares of its length. */
export const CLIP_MOMENTS = [0.05, 0.35, 0.65, 0.95] as const;
/** The frame of a moment. Moments beyond the list are those of a clip shown again: the list goes round. */
export const momentFrame = (moment: number, frames: number): number =>
  Math.floor((CLIP_MOMENTS[moment % CLIP_MOMENTS.length] ?? 0) * (frames - 1));

/** Cells across and down, whatever the picture's shape. */
export const TONE_GRID = 20;
/** Where in a cell's pixels, sorted by luminance, the samples are taken, and for how much of the cell each stands. */
const SAMPLES = [
  { at: 0.03, share: 0.115 },
  { at: 0.2, share: 0.185 },
  { at: 0.4, share: 0.2 },
  { at: 0.6, share: 0.2 },
  { at: 0.8, share: 0.185 },
  { at: 0.97, share: 0.115 },
] as const;
const CELL_DIGITS = SAMPLES.length * 6;

/** The length every Tones text has. */
export const TONES_LENGTH = TONE_GRID * TONE_GRID * CELL_DIGITS;

/**
 * Colours that shares of some area have, one after the other: for each, red, green and blue from 0 to 1, and the share in
 * any unit. Flat, since they are many, and gone through again and again while somebody types.
 */
export type ToneSamples = Float64Array<ArrayBuffer>;
/** How many numbers there are for each. */
export const SAMPLE_NUMBERS = 4;

/** Measures a picture from RGBA bytes, row by row. Give it at least 200 × 200 pixels, taken without smoothing. */
export function measureTones(rgba: ArrayLike<number>, { width, height }: Size): Tones {
  let tones = "";
  for (let row = 0; row < TONE_GRID; row++)
    for (let column = 0; column < TONE_GRID; column++) {
      const [left, right] = cellSpan(column, width);
      const [top, bottom] = cellSpan(row, height);
      const pixels: { value: number; light: number }[] = [];
      for (let y = top; y < bottom; y++)
        for (let x = left; x < right; x++) {
          const at = (y * width + x) * 4;
          const [r, g, b] = [rgba[at] ?? 0, rgba[at + 1] ?? 0, rgba[at + 2] ?? 0];
          pixels.push({ value: (r << 16) | (g << 8) | b, light: LINEAR_RED(r) + LINEAR_GREEN(g) + LINEAR_BLUE(b) });
        }
      pixels.sort((one, other) => one.light - other.light);
      for (const { at } of SAMPLES)
        tones += (pixels[Math.min(pixels.length - 1, Math.floor(at * pixels.length))]?.value ?? 0)
          .toString(16)
          .padStart(6, "0");
    }
  return tones;
}

const BYTES = Array.from({ length: 256 }, (_, byte) => toLinear(byte / 255));
const LINEAR_RED = (byte: number): number => 0.2126 * (BYTES[byte] ?? 0);
const LINEAR_GREEN = (byte: number): number => 0.7152 * (BYTES[byte] ?? 0);
const LINEAR_BLUE = (byte: number): number => 0.0722 * (BYTES[byte] ?? 0);

function cellSpan(cell: number, length: number): readonly [from: number, to: number] {
  const from = Math.min(length - 1, Math.floor((cell * length) / TONE_GRID));
  return [from, Math.max(from + 1, Math.floor(((cell + 1) * length) / TONE_GRID))];
}

/** What a picture's pixels are like when its colours are changed. Cells keep their order, by the light they had. */
export function gradedTones(tones: Tones, table: LookupTable): Tones {
  const bytes = bytesOf(tones);
  const pixels = new Uint8ClampedArray((bytes.length / 3) * 4).fill(255);
  for (let pixel = 0; pixel < bytes.length / 3; pixel++)
    pixels.set(bytes.subarray(pixel * 3, pixel * 3 + 3), pixel * 4);
  applyTable(pixels, table);
  let graded = "";
  for (let at = 0; at < pixels.length; at += 4)
    graded += (((pixels[at] ?? 0) << 16) | ((pixels[at + 1] ?? 0) << 8) | (pixels[at + 2] ?? 0))
      .toString(16)
      .padStart(6, "0");
  return graded;
}

/** A picture of a size as it lies in its place. */
export interface LyingPicture extends Pick<FramedPicture, "part" | "place" | "map"> {
  readonly size: Size;
}

/**
 * The colours that a picture shows inside an area of the format, with how much of the area each has. Of a picture that is
 * turned, those inside the upright box around the area as the picture sees it.
 */
export function tonesIn(
  tones: Tones,
  { size, part, place, map }: LyingPicture,
  asked: Rect,
  blurred = false,
): ToneSamples {
  const back = map && inverse(map);
  const area = back ? boundsOf(back, asked) : asked;
  const toShare = (
    value: number,
    start: number,
    length: number,
    partStart: number,
    partLength: number,
    whole: number,
  ): number => (partStart + ((value - start) / length) * partLength) / whole;
  const left = toShare(area.x, place.x, place.width, part.x, part.width, size.width);
  const top = toShare(area.y, place.y, place.height, part.y, part.height, size.height);
  const inPicture = rect(
    left,
    top,
    (area.width / place.width) * (part.width / size.width),
    (area.height / place.height) * (part.height / size.height),
  );
  const columns = overlapsOf(inPicture.x, inPicture.width);
  const rows = overlapsOf(inPicture.y, inPicture.height);
  const samples = new Float64Array(rows.length * columns.length * (blurred ? 1 : SAMPLES.length) * SAMPLE_NUMBERS);
  const bytes = bytesOf(tones);
  let at = 0;
  const add = (r: number, g: number, b: number, share: number): void => {
    samples[at] = r;
    samples[at + 1] = g;
    samples[at + 2] = b;
    samples[at + 3] = share;
    at += SAMPLE_NUMBERS;
  };
  for (const { cell: row, share: down } of rows)
    for (const { cell: column, share: across } of columns) {
      const share = across * down;
      if (blurred) {
        const { r, g, b } = blurredCell(bytes, column, row);
        add(r, g, b, share);
        continue;
      }
      let byte = byteOf(column, row, 0);
      for (const sample of SAMPLES) {
        add(channel(bytes, byte), channel(bytes, byte + 1), channel(bytes, byte + 2), share * sample.share);
        byte += 3;
      }
    }
  return samples;
}

/** The cells that a stretch from 0 to 1 lies over, each with the part of the stretch that lies in it. */
function overlapsOf(start: number, length: number): { cell: number; share: number }[] {
  const first = Math.max(0, Math.min(TONE_GRID - 1, Math.floor(start * TONE_GRID)));
  const last = Math.max(first, Math.min(TONE_GRID - 1, Math.ceil((start + length) * TONE_GRID) - 1));
  return Array.from({ length: last - first + 1 }, (_, index) => {
    const cell = first + index;
    const inside = Math.min(start + length, (cell + 1) / TONE_GRID) - Math.max(start, cell / TONE_GRID);
    return { cell, share: Math.max(1e-6, inside / Math.max(1e-9, length)) };
  });
}

function colorAt(bytes: Uint8Array, column: number, row: number, sample: number): { r: number; g: number; b: number } {
  const at = byteOf(column, row, sample);
  return { r: channel(bytes, at), g: channel(bytes, at + 1), b: channel(bytes, at + 2) };
}

const byteOf = (column: number, row: number, sample: number): number =>
  ((row * TONE_GRID + column) * SAMPLES.length + sample) * 3;
const channel = (bytes: Uint8Array, at: number): number => (bytes[at] ?? 0) / 255;

const read = new Map<Tones, Uint8Array>();
/** As many as a promotion with many pictures has; then it begins anew. */
const MOST_READ = 100;

/** The samples of a picture as bytes, red, green and blue. Read once: the same few pictures are asked for again and again. */
function bytesOf(tones: Tones): Uint8Array {
  const known = read.get(tones);
  if (known) return known;
  const bytes = Uint8Array.from({ length: tones.length / 2 }, (_, at) =>
    Number.parseInt(tones.slice(at * 2, at * 2 + 2), 16),
  );
  if (read.size >= MOST_READ) read.clear();
  read.set(tones, bytes);
  return bytes;
}

/** The mean colour of a cell, channels 0 to 1. */
export function cellColor(
  tones: Tones,
  column: number,
  row: number,
): { readonly r: number; readonly g: number; readonly b: number } {
  return addCell({ r: 0, g: 0, b: 0 }, bytesOf(tones), column, row);
}

/** Adds the samples of a cell to a sum, each for as much of the cell as it stands for. */
function addCell<Sum extends { r: number; g: number; b: number }>(
  sum: Sum,
  bytes: Uint8Array,
  column: number,
  row: number,
): Sum {
  SAMPLES.forEach(({ share }, index) => {
    const { r, g, b } = colorAt(bytes, column, row, index);
    sum.r += r * share;
    sum.g += g * share;
    sum.b += b * share;
  });
  return sum;
}

/** What a strong blur leaves of a cell: the mean of it and its neighbours. */
function blurredCell(bytes: Uint8Array, column: number, row: number): { r: number; g: number; b: number } {
  const sum = { r: 0, g: 0, b: 0, weight: 0 };
  for (let y = Math.max(0, row - 1); y <= Math.min(TONE_GRID - 1, row + 1); y++)
    for (let x = Math.max(0, column - 1); x <= Math.min(TONE_GRID - 1, column + 1); x++)
      SAMPLES.forEach(({ share }, index) => {
        const { r, g, b } = colorAt(bytes, x, y, index);
        sum.r += r * share;
        sum.g += g * share;
        sum.b += b * share;
        sum.weight += share;
      });
  return { r: sum.r / sum.weight, g: sum.g / sum.weight, b: sum.b / sum.weight };
}
