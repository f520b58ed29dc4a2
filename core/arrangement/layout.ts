import { type ColorRole } from "../color/palette";
import { type Backing } from "../document/arrangements";
import { type SlotKey } from "../document/sceneTemplate";
import { type Align, type Anchor } from "../geometry/column";
import { type Rect, type Size } from "../geometry/rect";
import { type Shape } from "../placement/formats";
import { type TypeRole } from "../type/roles";

/** How a thing in a column is drawn. */
export type EntryLook =
  | "plain"
  /** In the ground's strong colour. */
  | "strong"
  /** In the brand's accent, where it can be read. */
  | "accent"
  /** With a line through it: a price before. */
  | "struck"
  /** On a card in the sale colour. */
  | "badge"
  /** On a card of its own, to stand on any picture. */
  | "plate"
  /** A row of stars; its text is how many. */
  | "stars"
  /** A QR code of its text, on a plate. */
  | "code"
  /** A short thick rule in the accent colour. */
  | "rule"
  /** A large quotation mark in the accent colour. */
  | "mark"
  /** The brand's logo. */
  | "logo";

/** One thing that stands in a column: words, a badge, stars, the logo. */
export interface Entry {
  /** Its own within the scene. */
  readonly id: string;
  /** The slot it shows. */
  readonly key: SlotKey;
  readonly role: TypeRole;
  readonly text: string;
  readonly look: EntryLook;
  /** Its part of a column's height, against the others'. */
  readonly share: number;
  /** A colour chosen for it. */
  readonly color?: ColorRole | undefined;
  /** The colour asked for words that stand out. */
  readonly emphasis?: ColorRole | undefined;
  /** Entries of one group are set in one size: the least that any of them needs. */
  readonly group?: string | undefined;
  /** When it comes in at the earliest, and how long before the scene's end it goes: milliseconds, as somebody set it. */
  readonly times?: { readonly comes: number; readonly goes: number } | undefined;
  /** How much later it comes in than in its turn, as a share of the scene's length. */
  readonly later?: number | undefined;
  /** When it leaves, as a share of the scene's length; with the scene when absent. */
  readonly until?: number | undefined;
}

/** What words stand on. */
export type Backdrop =
  | { readonly kind: "ground"; readonly role: ColorRole }
  | {
      readonly kind: "picture";
      /** Which of the scene's placed pictures. */
      readonly picture: number;
      readonly backing: Backing;
      /** Shaded evenly over all of this, or in a band behind the words. */
      readonly shaded: Rect | "band";
      readonly leastShade: number;
    };

/** Entries set one below the other in an area. */
export interface WordsColumn {
  readonly area: Rect;
  readonly entries: readonly Entry[];
  readonly align: Align;
  readonly anchor: Anchor;
  readonly gap: number;
  readonly on: Backdrop;
  /** Words that stay from scene to scene neither come in nor leave. */
  readonly stays?: boolean;
}

/** A plain or graded surface. */
export interface Ground {
  readonly place: Rect;
  readonly ink: ColorRole | { readonly from: ColorRole; readonly to: ColorRole; readonly way: "across" | "down" };
}

/** A picture or clip that fills its place. */
export interface PlacedPicture {
  /** Which of the scene's pictures, in the order of its slots. */
  readonly index: number;
  readonly place: Rect;
  readonly drift: "in" | "out" | "none";
  readonly blurred?: boolean;
  readonly shadow?: boolean;
  /** When it arrives, as a share of the scene's length; there from the start when absent. */
  readonly arrives?: number;
  /** Wipes over what is below it, along this way. */
  readonly wipes?: "across" | "down";
}

export interface LogoPlace {
  /** It is as large as fits. */
  readonly box: Rect;
  /** The ground it stands on; null on a picture, where it gets a plate. */
  readonly on: ColorRole | null;
  readonly align: Align;
  /** At its upper edge when absent. */
  readonly anchor?: "middle";
}

/** A line of dots or a rule, drawn over the grounds. */
export interface Rule {
  readonly place: Rect;
  readonly ink: ColorRole;
  readonly dotted?: boolean;
}

/** Where everything of a scene goes in one shape, before any words are set. Back to front: grounds, pictures, rules, words. */
export interface Layout {
  readonly grounds: readonly Ground[];
  readonly pictures: readonly PlacedPicture[];
  readonly rules: readonly Rule[];
  /** A large cut card, a shade off the ground, that gives plain grounds depth. May hang over the edges. */
  readonly ornament?: Rect;
  readonly columns: readonly WordsColumn[];
  readonly logo: LogoPlace | null;
}

/** What an arrangement is asked to place. */
export interface Content {
  readonly shape: Shape;
  readonly ground: ColorRole;
  readonly entries: readonly Entry[];
  /** The sizes of the scene's pictures, in the order of their slots; null where none is chosen. */
  readonly pictures: readonly (Size | null)[];
  /** Whether the brand's logo is to be shown. */
  readonly logo: boolean;
  /** Rows of the catalogue. */
  readonly rows: readonly PriceRow[];
}

export interface PriceRow {
  readonly key: SlotKey;
  readonly name: string;
  readonly price: string;
}
