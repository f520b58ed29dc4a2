import { type Size } from "./rect";

/**
 * Which working copy of a picture to draw. Ingest keeps a pyramid: level 0 is the largest, each next level half the one
 * before. Browser and server draw equal pixels only when a picture is drawn at half its size or above with low
 * smoothing, so the level is chosen here, once, for both.
 *
 * @param scale output pixels per pixel of level 0, at its smallest while the level is in use
 * @returns the highest level whose own drawing scale is still at most 1, so that it lies in (0.5, 1], or the largest copy
 */
export function pyramidLevel(scale: number, levels: number): number {
  if (!(scale > 0)) throw new RangeError(`A drawing scale must be above 0, got ${scale}.`);
  const wanted = Math.floor(-Math.log2(scale) + 1e-9);
  return Math.min(Math.max(0, wanted), Math.max(0, levels - 1));
}

/**
 * How many working copies ingest keeps of a picture of a size in pixels: down to one pixel. However small a logo or a
 * sticker is drawn, there is a copy that it is drawn from at half its size or above.
 */
export const pyramidLevels = ({ width, height }: Size): number => 1 + Math.floor(Math.log2(Math.max(1, width, height)));

/** The pixel size of a level, as ingest makes it: halved and rounded down, never under one pixel. */
export function levelLength(length: number, level: number): number {
  return Math.max(1, Math.floor(length / 2 ** level));
}
