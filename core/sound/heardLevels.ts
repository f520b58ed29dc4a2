import { type MediaFacts } from "../document/facts";
import { msOf, ticksOf } from "../time/ticks";
import { type Mix, levelAt } from "./mix";

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
        const sound = media[span.what.sound];
        if (sound?.kind !== "sound" || !sound.levels || sound.length <= 0) return 0;
        const into = span.what.from + step * LEVEL_STEP - msOf(span.from);
        const place = span.what.isLooped ? into % sound.length : into;
        const level = sound.levels[Math.floor((place / sound.length) * sound.levels.length)] ?? 0;
        return (level / 100) * levelAt(span, at);
      }),
    );
  });
  const loudest = Math.max(...all);
  return loudest > 0 ? all.map((level) => Number((level / loudest).toFixed(3))) : all;
}
