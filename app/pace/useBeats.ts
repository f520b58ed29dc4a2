import { useEffect, useMemo, useState } from "react";
import { type SoundPiece } from "../../core/document/lanes";
import { listedMembers } from "../../core/document/ordered";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type Beats } from "../../core/sound/beats";
import { heardBeats } from "../../core/sound/heardBeats";
import { type AskedBeats, type FoundBeats } from "./beatMessages";

/** What was found already, by sound. */
const known = new Map<string, Beats | null>();

/** The beat of what plays: how many a minute, and when they are heard, in milliseconds. */
export interface HeardBeat {
  readonly tempo: number;
  readonly times: readonly number[];
}

/** The beats of a sound, found in a worker; null until they are, and where there are none. @param sound its id, if any */
export function useSoundBeats(sound: string | undefined): Beats | null {
  const [found, setFound] = useState<FoundBeats | null>(null);
  useEffect(() => {
    if (sound === undefined || known.has(sound)) return;
    const worker = new Worker(new URL("../workers/beatWorker.ts", import.meta.url), { type: "module" });
    worker.onmessage = ({ data }: MessageEvent<FoundBeats>) => {
      known.set(data.sound, data.beats);
      setFound(data);
      worker.terminate();
    };
    worker.postMessage({ sound } satisfies AskedBeats);
    return () => worker.terminate();
  }, [sound]);
  if (sound === undefined) return null;
  return found?.sound === sound ? found.beats : (known.get(sound) ?? null);
}

/** The beat of a promotion's music, found in a worker; null until it is, and where there is none. */
export function useBeats(document: Promotion, { mix, facts }: ResolvedPromotion): HeardBeat | null {
  const sound = listedMembers<string, SoundPiece>(document.lanes).find(({ lane }) => lane === "music")?.media;
  const beats = useSoundBeats(sound);
  const media = sound === undefined ? undefined : facts.media[sound];
  return useMemo(() => {
    if (!beats || sound === undefined || media?.kind !== "sound") return null;
    return { tempo: beats.tempo, times: heardBeats(mix, { sound, beats, lasts: media.length }) };
  }, [beats, sound, media, mix]);
}
