import { type FormatName } from "../placement/formats";
import { type Rect } from "../geometry/rect";
import { msOf } from "../time/ticks";
import { type SceneSpan } from "../time/timeline";
import { type FittedWords } from "../type/fit";
import { isCaptionKey } from "./prepareCaption";
import { type PreparedPromotion } from "./preparePromotion";
import { type PlacedSlot } from "./prepared";

/** A slot as a desk needs it: where it is and how its words are set, without their outlines. */
export interface SheetSlot extends Omit<PlacedSlot, "fitted"> {
  readonly fitted: Pick<FittedWords, "size" | "fits" | "missing"> | null;
}
export interface SheetScene {
  readonly slots: readonly SheetSlot[];
}

/** An item as a desk needs it: when it is there, and where it stands, upright. */
export interface SheetItem {
  readonly id: string;
  /** Milliseconds. */
  readonly from: number;
  readonly to: number;
  readonly place: Rect;
}

/** What a desk knows of a promotion as it was prepared in a format. Small enough to be told with every key that is pressed. */
export interface ProofSheet {
  readonly format: FormatName;
  readonly scenes: readonly SheetScene[];
  readonly spans: readonly SceneSpan[];
  readonly length: number;
  readonly items: readonly SheetItem[];
}

export const sheetOf = ({ format, scenes, items, spans, length }: PreparedPromotion): ProofSheet => ({
  format,
  spans,
  length,
  items: items
    .filter(({ what }) => !isCaptionKey(what.id))
    .map(({ from, to, what }) => ({ id: what.id, from: msOf(from), to: msOf(to), place: what.place })),
  scenes: scenes.map(({ slots }) => ({
    slots: slots.map(({ fitted, ...slot }) => ({
      ...slot,
      fitted: fitted && { size: fitted.size, fits: fitted.fits, missing: fitted.missing },
    })),
  })),
});
