import type { Size } from "../geometry/rect";
import { formatOf, type FormatName } from "./formats";

export const QUALITIES = ["480p", "720p", "1080p", "2160p"] as const;
/** Named by the short side of the file in pixels. */
export type Quality = (typeof QUALITIES)[number];

/** What is made to be looked at, before anything goes out. */
export const DRAFT: Quality = "480p";

export const isQuality = (value: unknown): value is Quality => QUALITIES.some((quality) => quality === value);

/** A design's short side has so many units. */
const SHORT_SIDE = 1080;
/** Output pixels per design unit. */
export const qualityScale = (quality: Quality): number => Number.parseInt(quality, 10) / SHORT_SIDE;

/** Output pixels per design unit where a format is painted at a size: of the side that has fewer. */
export function pixelsPerUnit(format: FormatName, size: Size): number {
  const { width, height } = formatOf(format);
  return Math.min(size.width / width, size.height / height);
}

/** Pixel size of a file. Both sides are even, because 4:2:0 colour needs it (480p widescreen: 854 × 480). */
export function outputSize(format: FormatName, quality: Quality): Size {
  const scale = qualityScale(quality);
  const even = (length: number): number => 2 * Math.round((length * scale) / 2);
  return { width: even(formatOf(format).width), height: even(formatOf(format).height) };
}
