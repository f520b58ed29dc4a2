import { type Rect, rect } from "../geometry/rect";
import { type FileKindName } from "../output/fileKinds";
import { type Output } from "../output/output";
import { type RateName, USUAL_RATE } from "../output/rates";
import { type FormatName, formatOf } from "./formats";
import { type Quality } from "./quality";

/** Something that a channel draws over what is posted. */
export interface Furniture {
  /** As a sentence names it: “under the buttons of …”. */
  readonly what: string;
  /** In shares of the frame's width and height, 0 to 1. */
  readonly place: Rect;
}

/** How long the words of a post may be, in characters; null where that kind of words is not taken. */
export interface PostLimits {
  readonly title: number | null;
  readonly body: number | null;
  /** How many tags. */
  readonly tags: number | null;
  /** Whether a link can be followed there. */
  readonly link: boolean;
}

/** Where a file goes: its shape, what is drawn over it there, and what is taken. */
export interface Placement {
  readonly id: string;
  readonly title: string;
  readonly format: FormatName;
  readonly furniture: readonly Furniture[];
  /** Seconds; null where nothing says so. */
  readonly longest: number | null;
  readonly shortest: number | null;
  /** How loud the whole of it is asked to be, in LUFS. */
  readonly loudness: number;
  /** The quality that is made for it. */
  readonly quality: Quality;
  /** The kinds of files and the frame rates that are taken; the first of each is made. */
  readonly kinds: readonly FileKindName[];
  readonly rates: readonly RateName[];
  /** How many bytes a file may have; null where nothing says so. */
  readonly mostBytes: number | null;
  readonly post: PostLimits;
}

/** What most placements are alike in (common practice of feeds and players). */
const USUAL: Omit<Placement, "id" | "title" | "format" | "furniture"> = {
  ...{ longest: null, shortest: null, loudness: -14, quality: "1080p", mostBytes: null },
  ...{ kinds: ["mp4", "hevc", "webm"], rates: ["30", "25", "24", "29.97", "60"] },
  post: { title: null, body: 2200, tags: 30, link: false },
};
/** Nobody writes anything beside what stands in a shop. */
const NO_POST: PostLimits = { title: null, body: null, tags: null, link: false };
const IN_SHOPS: typeof USUAL = { ...USUAL, rates: ["25", "30", "50", "60"], loudness: -23, post: NO_POST };
const MB = 1_000_000;

const drawn = (what: string, x: number, y: number, width: number, height: number): Furniture => ({
  what,
  place: rect(x, y, width, height),
});

/** A round button in the lower right corner, a tenth of the shorter side. */
function soundButton(format: FormatName): Furniture {
  const { width, height } = formatOf(format);
  const side = Math.min(width, height) * 0.1;
  return drawn("sound button", 1 - side / width, 1 - side / height, side / width, side / height);
}

/**
 * The placements that ship. Their values are common practice of feeds, full-screen players and screens in shops, rounded
 * up to where any of them draws; none is a rule of one channel. Screens in shops are as soft as broadcasters are (EBU R 128).
 */
export const PLACEMENTS: readonly Placement[] = [
  {
    ...{ ...USUAL, id: "square-feed", title: "Square feed", format: "square", longest: 60, mostBytes: 100 * MB },
    furniture: [soundButton("square")],
  },
  {
    ...{
      ...USUAL,
      id: "square-card",
      title: "Square card in a row",
      format: "square",
      longest: 60,
      mostBytes: 30 * MB,
    },
    furniture: [drawn("dots", 0.3, 0.94, 0.4, 0.06), soundButton("square")],
    post: { title: 40, body: 125, tags: null, link: true },
  },
  {
    ...{ ...USUAL, id: "portrait-feed", title: "Portrait feed", format: "portrait", longest: 60, mostBytes: 100 * MB },
    furniture: [soundButton("portrait")],
  },
  {
    ...{ ...USUAL, id: "vertical-full-screen", title: "Vertical full screen", format: "vertical" },
    ...{ longest: 90, shortest: 3, mostBytes: 200 * MB },
    furniture: [
      drawn("header", 0, 0, 1, 0.08),
      drawn("buttons", 0.9, 0.45, 0.1, 0.375),
      drawn("caption", 0, 0.825, 0.9, 0.175),
    ],
  },
  {
    ...{ ...USUAL, id: "vertical-short", title: "Vertical short", format: "vertical" },
    ...{ longest: 60, shortest: 1, mostBytes: 200 * MB },
    furniture: [
      drawn("header", 0, 0, 1, 0.06),
      drawn("buttons", 0.9, 0.5, 0.1, 0.325),
      drawn("caption", 0, 0.825, 0.9, 0.175),
    ],
    post: { title: 100, body: 1000, tags: 15, link: false },
  },
  {
    ...{
      ...USUAL,
      id: "vertical-day",
      title: "Vertical for a day",
      format: "vertical",
      longest: 15,
      mostBytes: 30 * MB,
    },
    furniture: [drawn("header", 0, 0, 1, 0.13), drawn("reply line", 0, 0.87, 1, 0.13)],
    post: { title: null, body: null, tags: null, link: true },
  },
  {
    ...{ ...USUAL, id: "story-still", title: "Story still", format: "vertical", kinds: ["still"], mostBytes: 8 * MB },
    furniture: [drawn("header", 0, 0, 1, 0.13), drawn("reply line", 0, 0.87, 1, 0.13)],
    post: { title: null, body: null, tags: null, link: true },
  },
  { ...IN_SHOPS, id: "upright-screen", title: "Upright screen in a shop", format: "vertical", furniture: [] },
  {
    ...{ ...USUAL, id: "widescreen-player", title: "Widescreen player", format: "widescreen", mostBytes: 500 * MB },
    furniture: [drawn("controls", 0, 0.95, 1, 0.05)],
    post: { title: 100, body: 5000, tags: 15, link: true },
  },
  {
    ...{ ...USUAL, id: "in-stream", title: "In a stream", format: "widescreen" },
    ...{ longest: 30, shortest: 6, loudness: -16, mostBytes: 50 * MB },
    furniture: [drawn("skip button", 0.8, 0.78, 0.2, 0.14), drawn("mark of the ad", 0, 0.88, 0.25, 0.12)],
    post: { title: 40, body: null, tags: null, link: true },
  },
  { ...IN_SHOPS, id: "shop-screen", title: "Screen in a shop", format: "widescreen", furniture: [] },
  {
    ...{ ...USUAL, id: "banner", title: "Banner still", format: "3x1", kinds: ["still"], mostBytes: 2 * MB },
    furniture: [drawn("sign of the page", 0.03, 0.55, 0.16, 0.45)],
    post: NO_POST,
  },
];

/** A placement by what a promotion calls it; null where there is none. @param among a team's; those that ship otherwise */
export const placementById = (id: string, among: readonly Placement[] = PLACEMENTS): Placement | null =>
  among.find((one) => one.id === id) ?? null;

/** How the file of a placement is made, in the quality that it asks for if no other. */
export const outputFor = (
  { id, kinds, quality, rates, mostBytes, loudness }: Placement,
  instead: Quality | null = null,
): Output => ({
  ...{ kind: kinds[0] ?? "mp4", quality: instead ?? quality, rate: rates[0] ?? USUAL_RATE, mostBytes, loudness },
  ...{ captions: null, placement: id },
});

/** What some placements draw over a format, in design units. */
export const furnitureIn = (placements: readonly Placement[], format: FormatName): Furniture[] =>
  placements.filter((placement) => placement.format === format).flatMap(furnitureOf);

/** Where a placement's furniture lies, in design units. */
export function furnitureOf({ format, furniture }: Placement): readonly Furniture[] {
  const { width, height } = formatOf(format);
  return furniture.map(({ what, place }) => ({
    what,
    place: rect(place.x * width, place.y * height, place.width * width, place.height * height),
  }));
}

/** The titles of placements, by id. */
export const placementTitles = (placements: readonly Placement[]): Readonly<Record<string, string>> =>
  Object.fromEntries(placements.map(({ id, title }) => [id, title]));
