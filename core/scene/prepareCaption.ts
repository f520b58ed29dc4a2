import { type ShownCaptions } from "../document/captionLook";
import { inLines } from "../captions/breakLines";
import { type Rect, type Size, evenInsets, inset, intersection, rect } from "../geometry/rect";
import { type FittedWords } from "../type/fit";
import { cutCard } from "../type/outline";
import { type PreparedItem } from "./prepared";
import { type Typesetter, setWords, still, wordNodes } from "./wordsBlock";

/** Their width as a share of the frame's, and of its short side times this where that is less. */
const WIDEST = { ofWidth: 0.84, ofShort: 1.1 } as const;
/** The size of their letters as a share of the short side. */
const SIZE = 0.042;
const PADDING = 0.42;
/** What stays free at the frame's edges: the title safe area of EBU R 95 in both directions. */
const EDGE = 0.05;
/** So far apart are the heights that are tried, as a share of the frame's. */
const STEP = 0.02;
/** What is there for a smaller share of a caption's time, as words that are just leaving, does not send it elsewhere. */
const MET = 0.25;
/** Air around what captions keep clear of, in design units. */
const AIR = 12;

/** The key of a caption among what lies over scenes. */
export const captionKey = (id: string): string => `caption:${id}`;
export const isCaptionKey = (id: string): boolean => id.startsWith("caption:");

/** What captions keep clear of: when it is there, and where. Milliseconds and design units. */
export interface Obstacle {
  readonly from: number;
  readonly to: number;
  readonly place: Rect;
}

/** A caption as it is set, before its place is known. Design units. */
export interface SetCaption extends Size {
  readonly words: FittedWords;
  readonly pad: number;
}

/** A caption with when it is there, in milliseconds. */
export interface Cue {
  readonly id: string;
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

/** The captions that come within a length, each as far as it does. @param length in milliseconds */
export const cuesShown = (cues: readonly Cue[], length: number): Cue[] =>
  cues.map((cue) => ({ ...cue, to: Math.min(cue.to, length) })).filter(({ from, to }) => to > from);

/** Where the things are that a caption keeps clear of: those that are there for enough of its time. */
export const obstaclesNear = (cue: Cue, obstacles: readonly Obstacle[]): Rect[] =>
  obstacles.filter((one) => together(one, cue) >= MET).map(({ place }) => place);

/** A caption in its place. */
export function prepareCaption(
  { id, from, to }: Cue,
  { set, place, on }: { readonly set: SetCaption; readonly place: Rect; readonly on: ShownCaptions["on"] },
  setter: Typesetter,
): PreparedItem {
  return {
    id: captionKey(id),
    slots: [],
    parts: [{ kind: "fixed", node: drawn(set, place, { on, setter }) }],
    length: to - from,
    leaves: false,
    place,
  };
}

/** For how much of a caption's time something else is there, 0 to 1. */
const together = (
  one: Pick<Obstacle, "from" | "to">,
  { from, to }: { readonly from: number; readonly to: number },
): number => (Math.min(one.to, to) - Math.max(one.from, from)) / (to - from);

/** Sets the words of a caption in a shape. @param times the usual size */
export function setCaption(text: string, times: number, setter: Typesetter): SetCaption {
  const { width, height } = setter.shape;
  const short = Math.min(width, height);
  const wide = Math.min(width * WIDEST.ofWidth, short * WIDEST.ofShort);
  const largest = short * SIZE * times;
  const pad = largest * PADDING;
  const box = { width: wide - 2 * pad, height: largest * 4 };
  const words = setWords(setter, { role: "line", text: inLines(text), align: "centre", largest }, box);
  return { words, pad, width: words.width + 2 * pad, height: words.height + 1.3 * pad };
}

/**
 * Where a caption covers no words and nothing that a channel draws: as near to where captions stand as there is room; where
 * there is none, where it covers the least.
 *
 * @param near what it keeps clear of
 */
export function captionPlace(
  { width, height }: Size,
  { at, near, shape }: { readonly at: ShownCaptions["at"]; readonly near: readonly Rect[]; readonly shape: Size },
): Rect {
  const edge = shape.height * EDGE;
  const [top, bottom] = [edge, shape.height - edge - height];
  const first = { low: bottom, middle: (shape.height - height) / 2, high: top }[at];
  const steps = Math.ceil(1 / STEP);
  const heights = Array.from({ length: 2 * steps + 1 }, (_, step) => {
    // The wanted height first, then on either side of it, farther and farther.
    const by = Math.ceil(step / 2) * (step % 2 === 0 ? 1 : -1);
    return first + by * shape.height * STEP;
  }).filter((y) => y >= top - 1 && y <= bottom + 1);
  const placeAt = (y: number): Rect => rect((shape.width - width) / 2, y, width, height);
  const coveredBy = (place: Rect): number =>
    near.reduce((sum, one) => {
      const both = intersection(inset(one, evenInsets(-AIR)), place);
      return sum + (both ? both.width * both.height : 0);
    }, 0);
  let best = placeAt(heights[0] ?? first);
  let least = Infinity;
  for (const y of heights) {
    const place = placeAt(y);
    const covered = coveredBy(place);
    if (covered === 0) return place;
    if (covered < least) [best, least] = [place, covered];
  }
  return best;
}

function drawn(
  { words, pad }: SetCaption,
  place: Rect,
  { on, setter }: { readonly on: ShownCaptions["on"]; readonly setter: Typesetter },
) {
  const { palette, on: inks } = setter.style;
  const at = { x: place.x + pad, y: place.y + 0.65 * pad };
  const { plain, strong } = inks[on];
  return still(
    [
      { kind: "shape", outline: cutCard(place, pad * 0.8), at: { x: 0, y: 0 }, ink: palette[on] },
      ...wordNodes(words, at, { ink: plain, marked: strong }),
    ],
    place,
  );
}
