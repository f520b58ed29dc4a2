import { type MediaFacts, type SoundFacts } from "./facts";
import { clipSeconds } from "./mediaNeed";

/**
 * What can be heard of an item: a sound, or the sound of a clip, whose loudness was never measured by itself. Null for a
 * picture, a clip without sound, and what is not there any more.
 */
export function heardMedia(media: MediaFacts | undefined): SoundFacts | null {
  if (media?.kind === "sound") return media;
  if (media?.kind !== "clip" || !media.hasSound) return null;
  const { id, name, soundLevels } = media;
  return {
    kind: "sound",
    id,
    name,
    length: clipSeconds(media) * 1000,
    loudness: null,
    peak: null,
    levels: soundLevels,
  };
}
