import { type WordEase } from "./easing";
import { type While } from "./whileShown";
import { type ExitKind } from "./wordMotion";

/** What of words comes in by itself. */
export const PIECES = ["as one", "line by line", "word by word", "letter by letter"] as const;
export type Pieces = (typeof PIECES)[number];

/** How the words of a scene move besides the way in which they come. */
export interface Movement {
  readonly exit: ExitKind;
  /** How they move while they are there. */
  readonly moves: While;
  readonly pieces: Pieces;
  /** Times the usual way that they go: 0 only fades. */
  readonly strength: number;
  /** How long they wait before the first comes in, in milliseconds. */
  readonly pause: number;
  readonly ease: WordEase;
}

export const USUAL_MOVEMENT: Movement = {
  exit: "as it came",
  moves: "still",
  pieces: "as one",
  strength: 1,
  pause: 0,
  ease: "settling",
};

/** Between one piece and the next, in milliseconds; all have begun after `MOST_SPREAD`. */
const BETWEEN: Readonly<Record<Exclude<Pieces, "as one">, number>> = {
  "line by line": 160,
  "word by word": 90,
  "letter by letter": 32,
};
const MOST_SPREAD = 1100;

/** How much later than the first each of some pieces comes in, in milliseconds. */
export function pieceDelays(by: Exclude<Pieces, "as one">, count: number): number[] {
  const step = Math.min(BETWEEN[by], MOST_SPREAD / Math.max(1, count - 1));
  return Array.from({ length: count }, (_, at) => Math.round(at * step));
}
