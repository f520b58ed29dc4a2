import { type SoundVersion } from "../../core/sound/mixedPiece";
import { versionPath } from "../media/soundVersions";
import { type RenderInput } from "./renderInput";

/** Where the samples of a promotion's sounds are, made as they are heard the first time they are asked for. */
export const soundFiles =
  ({ facts, hashes }: RenderInput) =>
  ({ sound, ...version }: SoundVersion): Promise<string> =>
    versionPath({ sha256: hashes[sound] ?? "", name: facts.media[sound]?.name ?? "a sound" }, version);
