import { type Millis } from "../units";

/** Words that are shown for a time, written as our words are: emphasis between asterisks, lines as they break. */
export interface Cue {
  readonly from: Millis;
  /** When it is gone. */
  readonly to: Millis;
  readonly text: string;
}

/** Cues in the order in which they come; of those that begin together, the one that ends first. */
export const inTime = <One extends Pick<Cue, "from" | "to">>(cues: readonly One[]): One[] =>
  [...cues].sort((one, other) => one.from - other.from || one.to - other.to);
