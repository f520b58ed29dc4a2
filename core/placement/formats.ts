import { type Insets, type Rect, type Size, inset, wholeOf } from "../geometry/rect";

/** The three shapes a promotion is always made in. Design units: the short side is 1080 in every format. */
export const FORMAT_NAMES = ["square", "vertical", "widescreen"] as const;
export type FormatName = (typeof FORMAT_NAMES)[number];

/** A shape that scenes are arranged in: one of the three, portrait, or any other. */
export interface Shape extends Size {
  /** Kept free of words and logos: edges that screens crop and that channels draw their own controls over. */
  readonly safe: Insets;
}

export interface Format extends Shape {
  readonly name: FormatName;
  readonly ratio: string;
}

/**
 * Safe areas. Widescreen: the title-safe 90 % of EBU R 95 / SMPTE ST 2046-1. Square: the same share, for rounded feed
 * cards. Vertical: room for a caption and buttons at the foot and on the right, and a header (common practice).
 */
export const FORMATS: Readonly<Record<FormatName, Format>> = {
  square: {
    name: "square",
    ratio: "1:1",
    width: 1080,
    height: 1080,
    safe: { top: 60, right: 60, bottom: 60, left: 60 },
  },
  vertical: {
    name: "vertical",
    ratio: "9:16",
    width: 1080,
    height: 1920,
    safe: { top: 168, right: 108, bottom: 336, left: 72 },
  },
  widescreen: {
    name: "widescreen",
    ratio: "16:9",
    width: 1920,
    height: 1080,
    safe: { top: 54, right: 96, bottom: 54, left: 96 },
  },
};

/** The fourth shape: taller than square, shown whole in feeds. */
export const PORTRAIT: Shape = { width: 1080, height: 1350, safe: { top: 72, right: 66, bottom: 72, left: 66 } };

const SHORT_SIDE = 1080;
/** Shapes beyond this are refused: nothing can be designed for a ribbon. */
export const MOST_RATIO = 3;
const TITLE_SAFE = 0.05;

/**
 * A shape of any ratio from 1:3 to 3:1, with the title-safe 90 % of EBU R 95. Throws, naming the limit, beyond it.
 * `customShape(4, 5)` is 1080 × 1350.
 */
export function customShape(across: number, down: number): Shape {
  const ratio = across / down;
  if (!(ratio >= 1 / MOST_RATIO - 1e-9 && ratio <= MOST_RATIO + 1e-9))
    throw new RangeError(`A shape may be from 1:${MOST_RATIO} to ${MOST_RATIO}:1, not ${across}:${down}.`);
  const width = ratio >= 1 ? Math.round(SHORT_SIDE * ratio) : SHORT_SIDE;
  const height = ratio >= 1 ? SHORT_SIDE : Math.round(SHORT_SIDE / ratio);
  const [x, y] = [Math.round(width * TITLE_SAFE), Math.round(height * TITLE_SAFE)];
  return { width, height, safe: { top: y, right: x, bottom: y, left: x } };
}

export const safeArea = (shape: Shape): Rect => inset(wholeOf(shape), shape.safe);

export const isFormatName = (value: unknown): value is FormatName => FORMAT_NAMES.some((name) => name === value);
