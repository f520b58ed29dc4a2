import { type MediaFacts } from "../document/facts";
import { clipSeconds } from "../document/mediaNeed";
import { SAMPLE_RATE, sampleAt, samplesIn } from "./samples";
import { ticks, ticksOf } from "../time/ticks";
import { type Mix, type MixedPiece, levelAt, positionAt } from "./mixedPiece";

/** Milliseconds between two levels. */
export const LEVEL_STEP = 50;

/**
 * How loud it is over a promotion: a level for every `LEVEL_STEP` from its start to its end, 0 to 1, where the loudest is 1.
 * Of sounds that were never measured nothing is heard.
 */
export function heardLevels({ track, length }: Mix, media: Readonly<Record<string, MediaFacts>>): number[] {
  const all = Array.from({ length: Math.ceil(length / LEVEL_STEP) + 1 }, (_, step) => {
    const at = ticksOf(step * LEVEL_STEP);
    return Math.max(
      0,
      ...track.map((span) => {
        const measured = measuredOf(media[span.what.sound]);
        if (!measured || at < span.from || at > span.to) return 0;
        return (measuredAt(span.what, sampleAt(ticks(at - span.from)), measured) / 100) * levelAt(span, at);
      }),
    );
  });
  const loudest = Math.max(...all);
  return loudest > 0 ? all.map((level) => Number((level / loudest).toFixed(3))) : all;
}

/** What was measured of a sound: how high it is in even steps, and its length in samples. */
export interface MeasuredSound {
  readonly levels: readonly number[];
  readonly length: number;
}

/** How high what is heard of a sound at a sample of a piece was measured to be, as its levels have it. */
export function measuredAt(piece: MixedPiece, at: number, { levels, length }: MeasuredSound): number {
  // What is made faster is that much shorter.
  const into = positionAt(piece, at) * (piece.tempo ?? 1);
  const place = piece.isLooped ? into % length : into;
  return levels[Math.floor((place / length) * levels.length)] ?? 0;
}

/** The levels of a sound or of a clip's sound, and its length in samples; null where it was never measured. */
export function measuredOf(media: MediaFacts | undefined): MeasuredSound | null {
  if (!media || media.kind === "picture") return null;
  const levels = media.kind === "sound" ? media.levels : media.soundLevels;
  const length = media.kind === "sound" ? samplesIn(media.length) : clipSeconds(media) * SAMPLE_RATE;
  return levels && length > 0 ? { levels, length } : null;
}
