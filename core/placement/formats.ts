import { type Insets, type Rect, type Size, inset, wholeOf } from "../geometry/rect";

/** The three shapes a promotion is always made in. Design units: the short side is 1080 in every format. */
export const FORMAT_NAMES = ["square", "vertical", "widescreen"] as const;
export type FormatName = (typeof FORMAT_NAMES)[number];

export interface Format extends Size {
  readonly name: FormatName;
  readonly ratio: string;
  /** Kept free of words and logos: edges that screens crop and that channels draw their own controls over. */
  readonly safe: Insets;
}

/**
 * Safe areas. Widescreen: the title-safe 90 % of EBU R 95 / SMPTE ST 2046-1. Square: the same share, for rounded feed
 * cards. Vertical: room for a caption and buttons at the foot and on the right, and a header (common practice).
 */
export const FORMATS: Readonly<Record<FormatName, Format>> = {
  square: { name: "square", ratio: "1:1", width: 1080, height: 1080, safe: { top: 60, right: 60, bottom: 60, left: 60 } },
  vertical: { name: "vertical", ratio: "9:16", width: 1080, height: 1920, safe: { top: 168, right: 108, bottom: 336, left: 72 } },
  widescreen: { name: "widescreen", ratio: "16:9", width: 1920, height: 1080, safe: { top: 54, right: 96, bottom: 54, left: 96 } },
};

export const safeArea = (format: Format): Rect => inset(wholeOf(format), format.safe);

export const isFormatName = (value: unknown): value is FormatName => FORMAT_NAMES.some((name) => name === value);
