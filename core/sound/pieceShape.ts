import { type MediaFacts } from "../document/facts";
import { type Span } from "../time/tracks";
import { type MixedPiece } from "./mixedPiece";
import { sampleAt } from "./samples";
import { measuredAt, measuredOf } from "./heardLevels";
import { ticks } from "../time/ticks";

/** What a piece of sound looks like: what is heard of the sound in even steps, 0 to 1, and how loud it is made. */
export interface PieceShape {
  readonly levels: readonly number[];
  /** Points of a line: where, as a share of the piece, and how loud against its loudest, 0 to 1. */
  readonly line: readonly { readonly share: number; readonly level: number }[];
}

const STEPS = 240;

/** What a piece looks like. Null where its sound was never measured. */
export function pieceShape({ from, to, what }: Span<MixedPiece>, media: MediaFacts | undefined): PieceShape | null {
  const measured = measuredOf(media);
  if (!measured) return null;
  const lasts = sampleAt(ticks(to - from));
  const loudest = Math.max(...what.levels.map(({ level }) => level));
  // The highest of it fills the bar.
  const highest = Math.max(1, ...measured.levels);
  return {
    levels: Array.from(
      { length: STEPS },
      (_, step) => measuredAt(what, (lasts * step) / (STEPS - 1), measured) / highest,
    ),
    line: what.levels.map(({ at, level }) => ({
      share: lasts > 0 ? at / lasts : 0,
      level: loudest > 0 ? level / loudest : 0,
    })),
  };
}
