import { type MeasuredMix } from "../../core/sound/measuredMix";
import { type Mix } from "../../core/sound/mixedPiece";
import { type Stereo } from "../../core/sound/samples";

/** What the page asks of the worker that mixes. */
export interface ToSounds {
  readonly ask: number;
  readonly mix: Mix;
}

/** What it answers: with nothing where another was asked for meanwhile; and then how loud that is. */
export type FromSounds =
  { readonly ask: number; readonly mixed: Stereo | null } | { readonly ask: number; readonly measured: MeasuredMix };
