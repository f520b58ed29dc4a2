import { type SoundVersion } from "../../core/sound/mixedPiece";
import { samplesPath } from "../media/soundSamples";
import { stretchedPath } from "../media/stretchedSamples";
import { type RenderInput } from "./renderInput";

/** Where the samples of a promotion's sounds are, made as they are heard the first time they are asked for. */
export const soundFiles =
  ({ facts, hashes }: RenderInput) =>
  ({ sound, tempo }: SoundVersion): Promise<string> => {
    const item = { sha256: hashes[sound] ?? "", name: facts.media[sound]?.name ?? "a sound" };
    return tempo === undefined ? samplesPath(item) : stretchedPath(item, tempo);
  };
