import { measuredMix } from "../../core/sound/measuredMix";
import { type Stereo } from "../../core/sound/samples";
import { soundName } from "../../core/sound/mixedPiece";
import { openMixing } from "../proof/mixing";
import { type FromSounds, type ToSounds } from "../proof/soundMessages";

/** Mixes what is heard of promotions, off the page. Of what is asked for in quick succession only the last is mixed. */
const mixing = openMixing((version) => `/media/${soundName(version)}`);
let newest = 0;
let before: Promise<void> = Promise.resolve();

/** Gives what was mixed at once, and how loud it is after that: nobody who wants to hear it waits for that. */
function answer(ask: number, made: { readonly whole: Stereo; readonly ended: number } | null): void {
  const kept = made && { left: made.whole.left.slice(), right: made.whole.right.slice() };
  const told: FromSounds = { ask, mixed: made?.whole ?? null };
  self.postMessage(told, { transfer: made ? [made.whole.left.buffer, made.whole.right.buffer] : [] });
  if (!kept || ask !== newest) return;
  const measured: FromSounds = { ask, measured: measuredMix(kept, made.ended) };
  self.postMessage(measured);
}

self.onmessage = ({ data: { ask, mix } }: MessageEvent<ToSounds>) => {
  newest = ask;
  before = before.then(async () => answer(ask, ask === newest ? await mixing.mixed(mix) : null));
};
