import { type Mix } from "../../core/sound/mixedPiece";
import { type Stereo } from "../../core/sound/samples";

/** What the page asks of the worker that mixes. */
export interface ToSounds {
  readonly ask: number;
  readonly mix: Mix;
}

/** What it answers: with nothing where another was asked for meanwhile. */
export interface FromSounds {
  readonly ask: number;
  readonly mixed: Stereo | null;
}
