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

/** A colour that a share of some area has. Channels 0 to 1, shares in any unit. */
export interface ToneSample {
  readonly r: number;
  readonly g: number;
  readonly b: number;
  readonly share: number;
}

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
  const pixels = new Uint8ClampedArray((tones.length / 6) * 4);
  for (let pixel = 0; pixel < pixels.length / 4; pixel++) {
    const value = Number.parseInt(tones.slice(pixel * 6, pixel * 6 + 6), 16);
    pixels.set([value >> 16, (value >> 8) & 255, value & 255, 255], pixel * 4);
  }
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
): ToneSample[] {
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
  const samples: ToneSample[] = [];
  const columns = overlapsOf(inPicture.x, inPicture.width);
  for (const { cell: row, share: down } of overlapsOf(inPicture.y, inPicture.height))
    for (const { cell: column, share: across } of columns) {
      const share = across * down;
      if (blurred) samples.push({ ...blurredCell(tones, column, row), share });
      else
        SAMPLES.forEach((sample, index) =>
          samples.push({ ...colorAt(tones, column, row, index), share: share * sample.share }),
        );
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

function colorAt(tones: Tones, column: number, row: number, sample: number): { r: number; g: number; b: number } {
  const at = (row * TONE_GRID + column) * CELL_DIGITS + sample * 6;
  const value = Number.parseInt(tones.slice(at, at + 6), 16);
  return { r: (value >> 16) / 255, g: ((value >> 8) & 255) / 255, b: (value & 255) / 255 };
}

/** The mean colour of a cell, channels 0 to 1. */
export function cellColor(
  tones: Tones,
  column: number,
  row: number,
): { readonly r: number; readonly g: number; readonly b: number } {
  return addCell({ r: 0, g: 0, b: 0 }, tones, column, row);
}

/** Adds the samples of a cell to a sum, each for as much of the cell as it stands for. */
function addCell<Sum extends { r: number; g: number; b: number }>(
  sum: Sum,
  tones: Tones,
  column: number,
  row: number,
): Sum {
  SAMPLES.forEach(({ share }, index) => {
    const { r, g, b } = colorAt(tones, column, row, index);
    sum.r += r * share;
    sum.g += g * share;
    sum.b += b * share;
  });
  return sum;
}

/** What a strong blur leaves of a cell: the mean of it and its neighbours. */
function blurredCell(tones: Tones, column: number, row: number): { r: number; g: number; b: number } {
  const sum = { r: 0, g: 0, b: 0, weight: 0 };
  for (let y = Math.max(0, row - 1); y <= Math.min(TONE_GRID - 1, row + 1); y++)
    for (let x = Math.max(0, column - 1); x <= Math.min(TONE_GRID - 1, column + 1); x++)
      SAMPLES.forEach(({ share }, index) => {
        const { r, g, b } = colorAt(tones, x, y, index);
        sum.r += r * share;
        sum.g += g * share;
        sum.b += b * share;
        sum.weight += share;
      });
  return { r: sum.r / sum.weight, g: sum.g / sum.weight, b: sum.b / sum.weight };
}
