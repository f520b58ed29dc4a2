/** Points along each edge of a table: what colour tables commonly have. */
export const TABLE_SIDE = 33;

/**
 * A change of colours, sampled on a grid over the cube of sRGB: 33³ colours of three bytes each, red changing fastest (the
 * order of cube files). Compiled once; the same bytes wherever it is applied.
 */
export interface LookupTable {
  /** Names its contents: two tables with one id are the same. */
  readonly id: string;
  readonly values: Uint8Array;
}

export type Channels = readonly [red: number, green: number, blue: number];

/** Compiles a change of colours. @param change takes and gives channels from 0 to 1; what lies outside is clamped */
export function compileTable(id: string, change: (color: Channels) => Channels): LookupTable {
  const values = new Uint8Array(TABLE_SIDE ** 3 * 3);
  const share = (step: number): number => step / (TABLE_SIDE - 1);
  let at = 0;
  for (let blue = 0; blue < TABLE_SIDE; blue++)
    for (let green = 0; green < TABLE_SIDE; green++)
      for (let red = 0; red < TABLE_SIDE; red++)
        for (const channel of change([share(red), share(green), share(blue)]))
          values[at++] = Math.round(Math.min(1, Math.max(0, channel)) * 255);
  return { id, values };
}

/** For each byte, the grid point below it and how far it is on the way to the next. */
const BELOW = Uint8Array.from({ length: 256 }, (_, byte) =>
  Math.min(TABLE_SIDE - 2, Math.floor((byte * (TABLE_SIDE - 1)) / 255)),
);
const BEYOND = Float64Array.from({ length: 256 }, (_, byte) => (byte * (TABLE_SIDE - 1)) / 255 - (BELOW[byte] ?? 0));
const [GREEN_STEP, BLUE_STEP] = [TABLE_SIDE * 3, TABLE_SIDE * TABLE_SIDE * 3];

/**
 * Changes RGBA pixels (not premultiplied) in place, between the grid's points by trilinear interpolation. Alpha stays; a
 * pixel that can't be seen is left as it is. The arithmetic is that of IEEE 754 doubles, so it gives the same bytes in
 * every browser and on the server.
 */
export function applyTable(pixels: Uint8ClampedArray, { values }: LookupTable): void {
  for (let at = 0; at < pixels.length; at += 4) {
    if (pixels[at + 3] === 0) continue;
    const [red, green, blue] = [pixels[at] ?? 0, pixels[at + 1] ?? 0, pixels[at + 2] ?? 0];
    const [x, y, z] = [BEYOND[red] ?? 0, BEYOND[green] ?? 0, BEYOND[blue] ?? 0];
    const corner = (BELOW[red] ?? 0) * 3 + (BELOW[green] ?? 0) * GREEN_STEP + (BELOW[blue] ?? 0) * BLUE_STEP;
    for (let channel = 0; channel < 3; channel++) {
      const base = corner + channel;
      const near = onFace(values, base, x, y);
      const far = onFace(values, base + BLUE_STEP, x, y);
      pixels[at + channel] = Math.floor(near + (far - near) * z + 0.5);
    }
  }
}

function onFace(values: Uint8Array, base: number, x: number, y: number): number {
  const a = values[base] ?? 0;
  const b = values[base + 3] ?? 0;
  const c = values[base + GREEN_STEP] ?? 0;
  const d = values[base + GREEN_STEP + 3] ?? 0;
  const low = a + (b - a) * x;
  const high = c + (d - c) * x;
  return low + (high - low) * y;
}
