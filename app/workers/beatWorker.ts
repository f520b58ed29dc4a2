import { beatsOf } from "../../core/sound/beats";
import { readSamples } from "../../core/sound/samples";
import { type AskedBeats, type FoundBeats } from "../pace/beatMessages";

/** Finds the beats of sounds, off the page. */
self.onmessage = async ({ data: { sound } }: MessageEvent<AskedBeats>) => {
  const response = await fetch(`/media/${sound}/samples`);
  const beats = response.ok ? beatsOf(readSamples(new Uint8Array(await response.arrayBuffer()), 0)) : null;
  self.postMessage({ sound, beats } satisfies FoundBeats);
};
