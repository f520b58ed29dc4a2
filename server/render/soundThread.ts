import { type MeasuredMix } from "../../core/sound/measuredMix";
import { type Mix, soundName } from "../../core/sound/mixedPiece";
import { measureSound } from "./soundFile";

/** A mix, and where the samples of its sounds are, by their names. */
export interface SoundTask {
  readonly mix: Mix;
  readonly files: Readonly<Record<string, string>>;
}

/** Mixes and measures in a thread, so that the web server goes on answering. */
export default ({ mix, files }: SoundTask): Promise<MeasuredMix> =>
  measureSound(mix, (version) => files[soundName(version)] ?? "");
