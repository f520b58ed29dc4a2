import { loudnessOf } from "../../core/sound/loudness";
import { type Stereo } from "../../core/sound/samples";
import { soundName } from "../../core/sound/mixedPiece";
import { openMixing } from "../proof/mixing";
import { type FromSounds, type ToSounds } from "../proof/soundMessages";

/** Mixes what is heard of promotions, off the page. Of what is asked for in quick succession only the last is mixed. */
const mixing = openMixing((version) => `/media/${soundName(version)}`);
let newest = 0;
let before: Promise<void> = Promise.resolve();

/** Gives what was mixed at once, and how loud it is after that: nobody who wants to hear it waits for that. */
function answer(ask: number, mixed: Stereo | null): void {
  const kept = mixed && { left: mixed.left.slice(), right: mixed.right.slice() };
  const told: FromSounds = { ask, mixed };
  self.postMessage(told, { transfer: mixed ? [mixed.left.buffer, mixed.right.buffer] : [] });
  if (!kept || ask !== newest) return;
  const measured: FromSounds = { ask, loudness: loudnessOf(kept) };
  self.postMessage(measured);
}

self.onmessage = ({ data: { ask, mix } }: MessageEvent<ToSounds>) => {
  newest = ask;
  before = before.then(async () => answer(ask, ask === newest ? await mixing.mixed(mix) : null));
};
