import { type BrandForm, USUAL_FORM } from "../brand/forms";
import { COLOR_ROLES, type Palette, isColorRole } from "../color/palette";

/** How a scene can come in while it shares the screen with the one before it. */
export const JOINS = ["crossfade", "dip", "slide", "push", "wipe", "reveal", "zoom", "sweep", "blur"] as const;
export type JoinKind = (typeof JOINS)[number];

export const JOIN_WORDS: Readonly<Record<JoinKind, string>> = {
  crossfade: "crossfade",
  dip: "dip into colour",
  slide: "slide over",
  push: "push out",
  wipe: "wipe",
  reveal: "shape reveal",
  zoom: "zoom through",
  sweep: "colour sweep",
  blur: "blur into",
};

/** Which of them show a colour between the two scenes, and which go in a direction. */
export const COLORED_JOINS: readonly JoinKind[] = ["dip", "sweep"];
export const DIRECTED_JOINS: readonly JoinKind[] = ["slide", "push", "wipe", "sweep"];

/** How a join goes on over its time. */
export const JOIN_EASES = ["gentle", "even", "quick at first", "quick at last"] as const;
export type JoinEase = (typeof JOIN_EASES)[number];

/** What a join can show between two scenes. */
export const JOIN_COLORS = ["white", "black", ...COLOR_ROLES] as const;
export type JoinColor = (typeof JOIN_COLORS)[number];

/** How a scene comes in. */
export interface Join<Color = JoinColor> {
  readonly kind: JoinKind;
  readonly color: Color;
  /** Degrees, clockwise, from the usual way. Only a wipe goes in any direction; the others by quarter turns. */
  readonly angle: number;
  readonly ease: JoinEase;
}

/** How joins are until something else is set. */
export const USUAL_JOIN: Omit<Join, "kind"> = { color: "primary", angle: 0, ease: "gentle" };

const NAMED = { white: "#ffffff", black: "#000000" } as const;

/** A colour of a join as it is in a brand. */
export const joinInk = (color: JoinColor, palette: Palette): string =>
  isColorRole(color) ? palette[color] : NAMED[color];

/** A join as it is in a brand: with its colour, and the form that a scene is revealed in. */
export interface InkedJoin extends Join<string> {
  readonly form: BrandForm;
}

/** A join as it is in a brand. */
export const inkedJoin = (join: Join, { palette, form = USUAL_FORM }: BrandOfJoins): InkedJoin => ({
  ...join,
  color: joinInk(join.color, palette),
  form,
});

/** What of a brand is seen in its joins. */
export interface BrandOfJoins {
  readonly palette: Palette;
  readonly form?: BrandForm | undefined;
}
