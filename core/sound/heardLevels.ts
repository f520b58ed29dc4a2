import { type MediaFacts } from "../document/facts";
import { clipSeconds } from "../document/mediaNeed";
import { SAMPLE_RATE, sampleAt, samplesIn } from "./samples";
import { ticks, ticksOf } from "../time/ticks";
import { type Mix, levelAt, positionAt } from "./mixedPiece";

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
        const { sound, isLooped, tempo = 1 } = span.what;
        const measured = measuredOf(media[sound]);
        if (!measured || at < span.from || at > span.to) return 0;
        // What is made faster is that much shorter.
        const into = positionAt(span.what, sampleAt(ticks(at - span.from))) * tempo;
        const place = isLooped ? into % measured.length : into;
        const level = measured.levels[Math.floor((place / measured.length) * measured.levels.length)] ?? 0;
        return (level / 100) * levelAt(span, at);
      }),
    );
  });
  const loudest = Math.max(...all);
  return loudest > 0 ? all.map((level) => Number((level / loudest).toFixed(3))) : all;
}

/** The levels of a sound or of a clip's sound, and its length in samples; null where it was never measured. */
function measuredOf(
  media: MediaFacts | undefined,
): { readonly levels: readonly number[]; readonly length: number } | null {
  if (!media || media.kind === "picture") return null;
  const levels = media.kind === "sound" ? media.levels : media.soundLevels;
  const length = media.kind === "sound" ? samplesIn(media.length) : clipSeconds(media) * SAMPLE_RATE;
  return levels && length > 0 ? { levels, length } : null;
}
