import { type Rect, rect } from "../geometry/rect";
import { type FormatName, formatOf } from "./formats";

/** Something that a channel draws over what is posted. */
export interface Furniture {
  /** As a sentence names it: “under the buttons of …”. */
  readonly what: string;
  /** In shares of the frame's width and height, 0 to 1. */
  readonly place: Rect;
}

/** Where a file goes: its shape, what is drawn over it there, and how long it may be. */
export interface Placement {
  readonly id: string;
  readonly title: string;
  readonly format: FormatName;
  readonly furniture: readonly Furniture[];
  /** Seconds; null where nothing says so. */
  readonly longest: number | null;
  /** How loud the whole of it is asked to be, in LUFS. */
  readonly loudness: number;
}

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
    id: "square-feed",
    title: "Square feed",
    format: "square",
    furniture: [soundButton("square")],
    longest: 60,
    loudness: -14,
  },
  {
    id: "square-card",
    title: "Square card in a row",
    format: "square",
    furniture: [drawn("dots", 0.3, 0.94, 0.4, 0.06), soundButton("square")],
    longest: 60,
    loudness: -14,
  },
  {
    id: "portrait-feed",
    title: "Portrait feed",
    format: "portrait",
    furniture: [soundButton("portrait")],
    longest: 60,
    loudness: -14,
  },
  {
    id: "vertical-full-screen",
    title: "Vertical full screen",
    format: "vertical",
    furniture: [
      drawn("header", 0, 0, 1, 0.08),
      drawn("buttons", 0.9, 0.45, 0.1, 0.375),
      drawn("caption", 0, 0.825, 0.9, 0.175),
    ],
    longest: 90,
    loudness: -14,
  },
  {
    id: "vertical-short",
    title: "Vertical short",
    format: "vertical",
    furniture: [
      drawn("header", 0, 0, 1, 0.06),
      drawn("buttons", 0.9, 0.5, 0.1, 0.325),
      drawn("caption", 0, 0.825, 0.9, 0.175),
    ],
    longest: 60,
    loudness: -14,
  },
  {
    id: "vertical-day",
    title: "Vertical for a day",
    format: "vertical",
    furniture: [drawn("header", 0, 0, 1, 0.13), drawn("reply line", 0, 0.87, 1, 0.13)],
    longest: 15,
    loudness: -14,
  },
  {
    id: "upright-screen",
    title: "Upright screen in a shop",
    format: "vertical",
    furniture: [],
    longest: null,
    loudness: -23,
  },
  {
    id: "widescreen-player",
    title: "Widescreen player",
    format: "widescreen",
    furniture: [drawn("controls", 0, 0.95, 1, 0.05)],
    longest: null,
    loudness: -14,
  },
  {
    id: "in-stream",
    title: "In a stream",
    format: "widescreen",
    furniture: [drawn("skip button", 0.8, 0.78, 0.2, 0.14), drawn("mark of the ad", 0, 0.88, 0.25, 0.12)],
    longest: 30,
    loudness: -16,
  },
  {
    id: "widescreen-feed",
    title: "Widescreen feed",
    format: "widescreen",
    furniture: [soundButton("widescreen")],
    longest: 120,
    loudness: -14,
  },
  { id: "shop-screen", title: "Screen in a shop", format: "widescreen", furniture: [], longest: null, loudness: -23 },
  {
    id: "banner",
    title: "Banner",
    format: "3x1",
    furniture: [drawn("sign of the page", 0.03, 0.55, 0.16, 0.45)],
    longest: 15,
    loudness: -14,
  },
];

/** Placements by what a promotion calls them. One that is not there is none that ships. */
export const placementById = (id: string): Placement | null => PLACEMENTS.find((one) => one.id === id) ?? null;

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
