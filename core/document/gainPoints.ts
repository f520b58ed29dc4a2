import { millis } from "../units";
import { GAINS, type GainPoint } from "./lanes";

type Points = readonly GainPoint[];

/** Points in order, one at a time at most: of two at one time the later in the list counts. Null where none are left. */
export function gainPointsOf(points: Points): readonly GainPoint[] | null {
  const sorted = [...points].sort((one, other) => one.at - other.at);
  const single = sorted.filter((point, index) => point.at !== sorted[index + 1]?.at);
  return single.length > 0 ? single : null;
}

/**
 * A point pulled to another time and level: it stays between those beside it, and within the piece and what a level can be.
 *
 * @param wanted in milliseconds from where the piece begins, and decibels
 * @param lasts how long the piece is heard, in milliseconds
 */
export function pulledPoint(
  points: Points,
  index: number,
  wanted: { readonly at: number; readonly gain: number },
  lasts: number,
): GainPoint {
  const [before, after] = [points[index - 1], points[index + 1]];
  const least = before ? before.at + 1 : 0;
  const most = after ? after.at - 1 : Math.round(lasts);
  return {
    at: millis(Math.max(least, Math.min(most, Math.round(wanted.at)))),
    gain: Math.max(GAINS.least, Math.min(GAINS.most, Math.round(wanted.gain / GAINS.step) * GAINS.step)),
  };
}

/** The level that a piece has at a time already, in decibels: straight between its points. */
export function gainAt(points: Points, time: number): number {
  const next = points.findIndex(({ at }) => at >= time);
  const [before, after] = [points.at(next < 0 ? -1 : next - 1), points[next]];
  if (points.length === 0) return 0;
  if (next === 0 || !before) return after?.gain ?? 0;
  if (!after) return before.gain;
  const gain = before.gain + ((after.gain - before.gain) * (time - before.at)) / (after.at - before.at);
  return Math.round(gain / GAINS.step) * GAINS.step;
}
