/** Points along each edge of a table: what colour tables commonly have. */
export const TABLE_SIDE = 33;
const STEPS = TABLE_SIDE - 1;

/** How many parts of a byte the values of a table are kept in, so that rounding is done once, at the end. */
export const PARTS = 16;
/** Values may lie beyond what can be shown, so that a straight change stays straight up to where it is clamped. */
const FARTHEST = 4;

/**
 * A change of colours, sampled on a grid over the cube of sRGB: 33³ colours of three channels each, red changing fastest
 * (the order of cube files). Compiled once; the same numbers wherever it is applied.
 */
export interface LookupTable {
  /** Names its contents: two tables with one id are the same. */
  readonly id: string;
  /** In sixteenths of a byte, below 0 and above 255 too. */
  readonly values: Int16Array;
}

export type Channels = readonly [red: number, green: number, blue: number];

/** Compiles a change of colours. @param change takes channels from 0 to 1 and gives them; what lies outside is clamped last */
export function compileTable(id: string, change: (color: Channels) => Channels): LookupTable {
  const values = new Int16Array(TABLE_SIDE ** 3 * 3);
  const share = (step: number): number => step / STEPS;
  let at = 0;
  for (let blue = 0; blue < TABLE_SIDE; blue++)
    for (let green = 0; green < TABLE_SIDE; green++)
      for (let red = 0; red < TABLE_SIDE; red++)
        for (const channel of change([share(red), share(green), share(blue)]))
          values[at++] = Math.round(Math.min(FARTHEST, Math.max(-FARTHEST, channel)) * 255 * PARTS);
  return { id, values };
}

const [RED_STEP, GREEN_STEP, BLUE_STEP] = [3, TABLE_SIDE * 3, TABLE_SIDE * TABLE_SIDE * 3];
/** For each byte, where the grid point below it stands in a table, and how many 255ths of the way to the next it has gone. */
const below = (byte: number): number => Math.min(STEPS - 1, Math.floor((byte * STEPS) / 255));
const bytes = Array.from({ length: 256 }, (_, byte) => byte);
const BEYOND = Int32Array.from(bytes, (byte) => byte * STEPS - below(byte) * 255);
const BELOW_RED = Int32Array.from(bytes, (byte) => below(byte) * RED_STEP);
const BELOW_GREEN = Int32Array.from(bytes, (byte) => below(byte) * GREEN_STEP);
const BELOW_BLUE = Int32Array.from(bytes, (byte) => below(byte) * BLUE_STEP);
const WHOLE = 255;
const ONE = WHOLE * PARTS;
const HALF = ONE / 2;
/** From the grid point below to the one above, along all three edges. */
const ALL = RED_STEP + GREEN_STEP + BLUE_STEP;

/**
 * Which edges of a cell are gone along first, and which first and second, by the comparisons of how far each channel has
 * gone: red at least green, green at least blue, red at least blue. Two of the eight can't be.
 */
const FIRST_EDGE = Int32Array.of(BLUE_STEP, 0, GREEN_STEP, GREEN_STEP, BLUE_STEP, RED_STEP, 0, RED_STEP);
const TWO_EDGES = Int32Array.of(
  GREEN_STEP + BLUE_STEP,
  0,
  GREEN_STEP + BLUE_STEP,
  RED_STEP + GREEN_STEP,
  RED_STEP + BLUE_STEP,
  RED_STEP + BLUE_STEP,
  0,
  RED_STEP + GREEN_STEP,
);

/**
 * Changes RGBA pixels (not premultiplied) in place, between the grid's points by tetrahedral interpolation: from the point
 * below along the edges of the cell, the channel that has gone farthest first. Alpha stays; a pixel that can't be seen is
 * left as it is. All sums are whole numbers, so it gives the same bytes in every browser and on the server.
 */
export function applyTable(pixels: Uint8ClampedArray, { values }: LookupTable): void {
  for (let at = 0; at < pixels.length; at += 4) {
    if (pixels[at + 3] === 0) continue;
    const red = pixels[at] ?? 0;
    const green = pixels[at + 1] ?? 0;
    const blue = pixels[at + 2] ?? 0;
    const x = BEYOND[red] ?? 0;
    const y = BEYOND[green] ?? 0;
    const z = BEYOND[blue] ?? 0;
    const order = (x >= y ? 4 : 0) | (y >= z ? 2 : 0) | (x >= z ? 1 : 0);
    const most = Math.max(x, y, z);
    const least = Math.min(x, y, z);
    const middle = x + y + z - most - least;
    const none = WHOLE - most;
    const one = most - middle;
    const two = middle - least;
    const corner = (BELOW_RED[red] ?? 0) + (BELOW_GREEN[green] ?? 0) + (BELOW_BLUE[blue] ?? 0);
    const first = corner + (FIRST_EDGE[order] ?? 0);
    const second = corner + (TWO_EDGES[order] ?? 0);
    const last = corner + ALL;
    // Written out for each channel: this runs for every pixel of every frame.
    const changedRed =
      (values[corner] ?? 0) * none +
      (values[first] ?? 0) * one +
      (values[second] ?? 0) * two +
      (values[last] ?? 0) * least;
    const changedGreen =
      (values[corner + 1] ?? 0) * none +
      (values[first + 1] ?? 0) * one +
      (values[second + 1] ?? 0) * two +
      (values[last + 1] ?? 0) * least;
    const changedBlue =
      (values[corner + 2] ?? 0) * none +
      (values[first + 2] ?? 0) * one +
      (values[second + 2] ?? 0) * two +
      (values[last + 2] ?? 0) * least;
    // Rounded; what lies outside a byte is clamped where it is kept.
    pixels[at] = ((changedRed + HALF) / ONE) | 0;
    pixels[at + 1] = ((changedGreen + HALF) / ONE) | 0;
    pixels[at + 2] = ((changedBlue + HALF) / ONE) | 0;
  }
}
