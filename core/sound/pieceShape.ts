import { type MediaFacts } from "../document/facts";
import { type Span } from "../time/tracks";
import { type MixedPiece } from "./mixedPiece";
import { sampleAt, samplesIn } from "./samples";
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
  if (media?.kind !== "sound" || !media.levels) return null;
  const measured = media.levels;
  const whole = samplesIn(media.length);
  const lasts = sampleAt(ticks(to - from));
  const loudest = Math.max(...what.levels.map(({ level }) => level));
  // The highest of it fills the bar.
  const highest = Math.max(1, ...measured);
  const levels = Array.from({ length: STEPS }, (_, step) => {
    const into = what.position + (lasts * step) / (STEPS - 1);
    const place = what.isLooped ? into % whole : into;
    return (measured[Math.floor((place / whole) * measured.length)] ?? 0) / highest;
  });
  return {
    levels,
    line: what.levels.map(({ at, level }) => ({
      share: lasts > 0 ? at / lasts : 0,
      level: loudest > 0 ? level / loudest : 0,
    })),
  };
}
