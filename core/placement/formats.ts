import { keyIn } from "../records";
import { type Insets, type Rect, type Size, inset, wholeOf } from "../geometry/rect";
import { Refusal } from "../refusal";

/** The formats that have a name of their own. */
export const NAMED_FORMATS = ["square", "vertical", "widescreen", "portrait"] as const;
type NamedFormat = (typeof NAMED_FORMATS)[number];

/**
 * A format by its name, or by its ratio in lowest terms: `5x7`. Its shape follows from that alone, so nothing that names a
 * format has to be asked what it looks like.
 */
export type FormatName = NamedFormat | `${number}x${number}`;

/** What a template is made in unless it says otherwise. */
export const USUAL_FORMATS = ["square", "vertical", "widescreen"] as const satisfies readonly FormatName[];

/** How many formats one thing may be made in. */
export const MOST_FORMATS = 12;

/** A shape that scenes are arranged in. Design units: the short side is 1080 in every format. */
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
 * cards. Vertical: room for a caption and buttons at the foot and on the right, and a header (common practice). Portrait:
 * taller than square, shown whole in feeds.
 */
const NAMED: Readonly<Record<NamedFormat, Format>> = {
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
  portrait: {
    name: "portrait",
    ratio: "4:5",
    width: 1080,
    height: 1350,
    safe: { top: 72, right: 66, bottom: 72, left: 66 },
  },
};

const SHORT_SIDE = 1080;
/** Shapes beyond this are refused: nothing can be designed for a ribbon. */
export const MOST_RATIO = 3;
const TITLE_SAFE = 0.05;
/** The longest a side of a ratio is written: 999:1000 is near enough to square. */
const MOST_TERM = 999;

/**
 * A shape of any ratio from 1:3 to 3:1, with the title-safe 90 % of EBU R 95. Throws, naming the limit, beyond it.
 * `customShape(4, 5)` is 1080 × 1350.
 */
export function customShape(across: number, down: number): Shape {
  const ratio = across / down;
  if (!(ratio >= 1 / MOST_RATIO - 1e-9 && ratio <= MOST_RATIO + 1e-9))
    throw new Refusal(`A shape may be from 1:${MOST_RATIO} to ${MOST_RATIO}:1, not ${across}:${down}.`);
  const width = ratio >= 1 ? Math.round(SHORT_SIDE * ratio) : SHORT_SIDE;
  const height = ratio >= 1 ? SHORT_SIDE : Math.round(SHORT_SIDE / ratio);
  const [x, y] = [Math.round(width * TITLE_SAFE), Math.round(height * TITLE_SAFE)];
  return { width, height, safe: { top: y, right: x, bottom: y, left: x } };
}

/**
 * The format of a ratio of whole numbers: the one that has a name where there is one, `5x7` for 10:14. Throws, naming the
 * limit, for what is no such ratio or lies beyond 1:3 and 3:1.
 */
export function formatOfRatio(across: number, down: number): FormatName {
  const isTerm = (term: number): boolean => Number.isInteger(term) && term >= 1 && term <= MOST_TERM;
  if (!isTerm(across) || !isTerm(down))
    throw new Refusal(`A shape is two whole numbers from 1 to ${MOST_TERM}, as in 5:7.`);
  customShape(across, down);
  const common = greatestCommonDivisor(across, down);
  const [a, b] = [across / common, down / common];
  return NAMED_FORMATS.find((name) => NAMED[name].ratio === `${a}:${b}`) ?? `${a}x${b}`;
}

const greatestCommonDivisor = (a: number, b: number): number => (b === 0 ? a : greatestCommonDivisor(b, a % b));

const shapes = new Map<FormatName, Format>();

/** What a format is. The same object each time it is asked for. Throws for what is no format's name. */
export function formatOf(name: FormatName): Format {
  const named = keyIn(NAMED, name);
  const known = named === null ? shapes.get(name) : NAMED[named];
  if (known) return known;
  const [across = 0, down = 0] = name.split("x").map(Number);
  const format: Format = { name, ratio: `${across}:${down}`, ...customShape(across, down) };
  shapes.set(name, format);
  return format;
}

/** How a format is called on screen: by its name, or by its ratio. */
export const formatTitle = (name: FormatName): string => (Object.hasOwn(NAMED, name) ? name : formatOf(name).ratio);

/** Whether a value names a format, by the one name that it has. */
export function isFormatName(value: unknown): value is FormatName {
  if (typeof value !== "string") return false;
  if (Object.hasOwn(NAMED, value)) return true;
  const [, across, down] = /^([1-9]\d{0,2})x([1-9]\d{0,2})$/.exec(value) ?? [];
  if (across === undefined || down === undefined) return false;
  const ratio = Number(across) / Number(down);
  const isWithin = ratio >= 1 / MOST_RATIO && ratio <= MOST_RATIO;
  return isWithin && formatOfRatio(Number(across), Number(down)) === value;
}

export const safeArea = (shape: Shape): Rect => inset(wholeOf(shape), shape.safe);
