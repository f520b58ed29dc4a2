import { type FormatName } from "../placement/formats";
import { type SceneSpan } from "../time/timeline";
import { type FittedWords } from "../type/fit";
import { type PreparedPromotion } from "./preparePromotion";
import { type PlacedSlot } from "./prepared";

/** A slot as a desk needs it: where it is and how its words are set, without their outlines. */
export interface SheetSlot extends Omit<PlacedSlot, "fitted"> {
  readonly fitted: Pick<FittedWords, "size" | "fits" | "missing"> | null;
}
export interface SheetScene {
  readonly slots: readonly SheetSlot[];
}

/** What a desk knows of a promotion as it was prepared in a format. Small enough to be told with every key that is pressed. */
export interface ProofSheet {
  readonly format: FormatName;
  readonly scenes: readonly SheetScene[];
  readonly spans: readonly SceneSpan[];
  readonly length: number;
}

export const sheetOf = ({ format, scenes, spans, length }: PreparedPromotion): ProofSheet => ({
  format,
  spans,
  length,
  scenes: scenes.map(({ slots }) => ({
    slots: slots.map(({ fitted, ...slot }) => ({
      ...slot,
      fitted: fitted && { size: fitted.size, fits: fitted.fits, missing: fitted.missing },
    })),
  })),
});
