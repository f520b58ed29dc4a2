import { TICKS_PER_SECOND } from "../time/ticks";
import { type Beats } from "./beats";
import { type Mix } from "./mixedPiece";
import { SAMPLE_RATE } from "./samples";

/**
 * When the beats of a sound are heard in a promotion, in milliseconds and in order: wherever it plays at its own speed,
 * again where it begins again.
 *
 * @param lasts how long the sound itself is, in milliseconds
 */
export function heardBeats(
  { track, length }: Mix,
  { sound, beats, lasts }: { readonly sound: string; readonly beats: Beats; readonly lasts: number },
): number[] {
  const heard = track.flatMap(({ from, to, what }) => {
    const isItself = what.speed === 1 && what.speedsUp === undefined && what.tempo === undefined;
    if (what.sound !== sound || !isItself) return [];
    const [start, end] = [toMs(from), Math.min(length, toMs(to))];
    const begins = (what.position * 1000) / SAMPLE_RATE;
    const rounds = what.isLooped && lasts > 0 ? Math.ceil((begins + end - start) / lasts) : 1;
    return Array.from({ length: rounds }, (_, round) =>
      beats.times.map((time) => start + round * lasts + time - begins),
    )
      .flat()
      .filter((time) => time >= start && time <= end);
  });
  return [...new Set(heard.map(Math.round))].sort((one, other) => one - other);
}

const toMs = (ticks: number): number => (ticks * 1000) / TICKS_PER_SECOND;
