import { factorOf } from "./decibels";
import { type Envelope, throughPoints } from "./envelope";

/** How music steps back while somebody speaks. */
export interface SteppingBack {
  /** Decibels; 0 for not at all. */
  readonly depth: number;
  /** How long it takes to step back and to come forward again, in the unit of time in which the voice is told. */
  readonly attack: number;
  readonly release: number;
}

/** Music that stays as loud as it is. */
export const STAYING: SteppingBack = { depth: 0, attack: 0, release: 0 };

/** A stretch of time, in samples or in milliseconds. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/**
 * How loud music is beside a voice: it has stepped back when the voice begins, and comes forward when it has ended. Between
 * two stretches that are nearer than it takes to come and go it stays back. Times are in one unit, that of the envelope.
 */
export function steppedBack(voice: readonly Stretch[], { depth, attack, release }: SteppingBack): Envelope {
  if (depth <= 0 || voice.length === 0) return throughPoints([]);
  const low = factorOf(-depth);
  const points = merged(voice, attack + release).flatMap(({ from, to }) => [
    { at: from - Math.max(1, attack), level: 1 },
    { at: from, level: low },
    { at: to, level: low },
    { at: to + Math.max(1, release), level: 1 },
  ]);
  return throughPoints(points);
}

/** Stretches in order, those as one that are nearer to each other than `near`. */
function merged(stretches: readonly Stretch[], near: number): Stretch[] {
  return [...stretches]
    .sort((one, other) => one.from - other.from)
    .reduce<Stretch[]>((done, next) => {
      const last = done.at(-1);
      if (!last || next.from - last.to > near) return [...done, next];
      return [...done.slice(0, -1), { from: last.from, to: Math.max(last.to, next.to) }];
    }, []);
}
