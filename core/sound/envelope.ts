import { type FadeCurve, fadedIn } from "./fadeCurves";
import { type LevelPoint } from "./mixedPiece";

/** A level over time, in samples: a linear factor at each, and where it bends, so that it is even between two bends. */
export interface Envelope {
  /** Samples at which it turns; between two it may still be curved, as far as `at` says. */
  readonly bends: readonly number[];
  readonly at: (sample: number) => number;
}

/** A curve is told by so many straight pieces between two bends: each is off by less than a hundredth of a decibel. */
const PIECES = 24;

/**
 * The points of several envelopes, one times the other, as a mix reads them: where any of them turns, and between as close
 * as the curves need it.
 *
 * @param lasts how many samples there are
 */
export function pointsOf(envelopes: readonly Envelope[], lasts: number): LevelPoint[] {
  const level = (sample: number): number => envelopes.reduce((product, { at }) => product * at(sample), 1);
  const inside = envelopes.flatMap(({ bends }) => bends).filter((bend) => bend > 0 && bend < lasts);
  const edges = [...new Set([0, ...inside, lasts])].sort((one, other) => one - other);
  const points = edges.slice(0, -1).flatMap((from, index): LevelPoint[] => {
    const to = edges[index + 1] ?? lasts;
    const isStraight = Math.abs(level((from + to) / 2) - (level(from) + level(to)) / 2) < STRAIGHT;
    const steps = isStraight ? 1 : PIECES;
    return Array.from({ length: steps }, (_, step) => {
      const at = from + ((to - from) * step) / steps;
      return { at, level: level(at) };
    });
  });
  return [...points, { at: lasts, level: level(lasts) }];
}

const STRAIGHT = 1e-6;

/** A fade at either end of something that lasts so many samples. Where they would meet, both are shorter. */
export function fadedEnds(
  lasts: number,
  fades: { readonly in: number; readonly out: number },
  curve: FadeCurve,
): Envelope {
  const share = fades.in + fades.out > lasts ? lasts / (fades.in + fades.out) : 1;
  const [opening, closing] = [fades.in * share, fades.out * share];
  return {
    bends: [opening, lasts - closing],
    at: (sample) =>
      (opening > 0 ? fadedIn(curve, sample / opening) : 1) *
      (closing > 0 ? fadedIn(curve, (lasts - sample) / closing) : 1),
  };
}

/** The same all the time. */
export const steady = (level: number): Envelope => ({ bends: [], at: () => level });

/** Straight lines from point to point; level before the first and after the last. */
export function throughPoints(points: readonly LevelPoint[]): Envelope {
  return {
    bends: points.map(({ at }) => at),
    at(sample) {
      const after = points.findIndex(({ at }) => at > sample);
      const [before, next] = [points.at(after < 0 ? -1 : after - 1), after < 0 ? undefined : points[after]];
      if (after === 0) return points[0]?.level ?? 1;
      if (!before) return 1;
      if (!next) return before.level;
      return before.level + ((next.level - before.level) * (sample - before.at)) / (next.at - before.at);
    },
  };
}
