import { type Beats } from "./beats";

/** Most music that is played under promotions has four; a bar begins with the first beat that is found. */
const BEATS_A_BAR = 4;

/**
 * Where a tune is taken from, so that a stretch of it ends where one of its bars does: as little later than it is taken now
 * as it can be, else as late as the tune has it. Null where the tune has no such stretch. Times in milliseconds.
 *
 * @param from where it is taken from now @param lasts how long it is heard @param length of the whole tune
 */
export function takenToEndOnBar(
  { times }: Pick<Beats, "times">,
  { from, lasts, length }: { readonly from: number; readonly lasts: number; readonly length: number },
): number | null {
  const starts = times
    .filter((_, at) => at % BEATS_A_BAR === 0)
    .filter((bar) => bar <= length)
    .map((bar) => bar - lasts)
    .filter((start) => start >= 0);
  return starts.find((start) => start >= from) ?? starts.at(-1) ?? null;
}
