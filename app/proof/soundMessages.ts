import { type MeasuredMix } from "../../core/sound/measuredMix";
import { type Mix } from "../../core/sound/mixedPiece";
import { type Stereo } from "../../core/sound/samples";

/** What the page asks of the worker that mixes. */
export interface ToSounds {
  readonly ask: number;
  readonly mix: Mix;
}

interface Mixed {
  readonly ask: number;
  /** Null where another was asked for meanwhile. */
  readonly mixed: Stereo | null;
}
interface Measured {
  readonly ask: number;
  readonly measured: MeasuredMix;
}
/** What it answers: what was mixed, and then how loud that is. */
export type FromSounds = Mixed | Measured;
