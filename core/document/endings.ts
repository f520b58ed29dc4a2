import { type BrandForm } from "../brand/forms";
import { type JoinColor } from "./joins";

/** How a promotion ends: as its last scene does, or closed by a colour. */
export const ENDINGS = [
  "as it is",
  "fades",
  "wiped over",
  "page slides over",
  "shape closes",
  "shutters close",
] as const;
export type EndingKind = (typeof ENDINGS)[number];

/** How a promotion is closed. */
export interface Ending<Color = JoinColor> {
  readonly kind: Exclude<EndingKind, "as it is">;
  readonly color: Color;
  /** Milliseconds: the last of the promotion. */
  readonly lasts: number;
}

/** An ending as it is in a brand: with its colour, and the form that closes. */
export interface InkedEnding extends Ending<string> {
  readonly form: BrandForm;
}
