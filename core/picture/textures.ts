/** Patterns that repeat without a seam, made by numbers: the same bytes wherever they are made. */
export const TEXTURES = ["grain", "paper"] as const;
export type TextureName = (typeof TEXTURES)[number];

/** How wide and high a tile is, in design units, and in pixels at its largest level. */
export const TEXTURE_SIDE = 512;
export const TEXTURE_LEVELS = 4;

/** A whole number that looks random, decided by a place and a seed (a hash by multiplication and shifts). */
function hashed(x: number, y: number, seed: number): number {
  let value = Math.imul(x, 0x27d4eb2d) ^ Math.imul(y, 0x165667b1) ^ Math.imul(seed, 0x9e3779b1);
  value = Math.imul(value ^ (value >>> 15), 0x85ebca6b);
  value = Math.imul(value ^ (value >>> 13), 0xc2b2ae35);
  return (value ^ (value >>> 16)) >>> 0;
}

/** 0 to 255, evenly spread. */
const evenly = (x: number, y: number, seed: number): number => hashed(x, y, seed) & 255;

/** Grain: the mean of three, so that most is near the middle, lifted so that it can be seen. Middle grey changes nothing. */
const grainAt = (x: number, y: number): number =>
  128 + ((evenly(x, y, 1) + evenly(x, y, 2) + evenly(x, y, 3)) / 3 - 127.5) * 1.6;

/** Noise whose lattice has points every `step` pixels and repeats with the tile. */
function smoothAt(x: number, y: number, step: number, seed: number): number {
  const count = TEXTURE_SIDE / step;
  const [column, row] = [Math.floor(x / step), Math.floor(y / step)];
  const [right, down] = [x / step - column, y / step - row];
  const at = (dx: number, dy: number): number => evenly((column + dx) % count, (row + dy) % count, seed);
  const top = at(0, 0) + (at(1, 0) - at(0, 0)) * right;
  const bottom = at(0, 1) + (at(1, 1) - at(0, 1)) * right;
  return top + (bottom - top) * down;
}

/** Paper: light, with soft clouds and short fibres that lie across. */
const paperAt = (x: number, y: number): number =>
  255 -
  0.11 * smoothAt(x, y, 64, 4) -
  0.09 * smoothAt(x, y, 16, 5) -
  0.12 * smoothAt(Math.floor(x / 4) * 4, y, 4, 6) -
  0.06 * evenly(x, y, 7);

const VALUES: Readonly<Record<TextureName, (x: number, y: number) => number>> = { grain: grainAt, paper: paperAt };

const made = new Map<string, Uint8ClampedArray<ArrayBuffer>>();

/**
 * RGBA of a tile, row by row; at each level half as wide and high as at the one before, of the mean of what it stands for.
 * Worked out once: it is the same for every painter.
 */
export function textureTile(name: TextureName, level: number): Uint8ClampedArray<ArrayBuffer> {
  const key = `${name}/${level}`;
  const tile = made.get(key) ?? newTile(name, level);
  made.set(key, tile);
  return tile;
}

function newTile(name: TextureName, level: number): Uint8ClampedArray<ArrayBuffer> {
  const [block, side] = [2 ** level, TEXTURE_SIDE / 2 ** level];
  const pixels = new Uint8ClampedArray(side * side * 4);
  for (let y = 0; y < side; y++)
    for (let x = 0; x < side; x++) {
      let sum = 0;
      for (let dy = 0; dy < block; dy++)
        for (let dx = 0; dx < block; dx++) sum += VALUES[name](x * block + dx, y * block + dy);
      const value = Math.round(sum / (block * block));
      pixels.set([value, value, value, 255], (y * side + x) * 4);
    }
  return pixels;
}
