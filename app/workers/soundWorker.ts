import { soundName } from "../../core/sound/mixedPiece";
import { openMixing } from "../proof/mixing";
import { type FromSounds, type ToSounds } from "../proof/soundMessages";

/** Mixes what is heard of promotions, off the page. Of what is asked for in quick succession only the last is mixed. */
const mixing = openMixing((version) => `/media/${soundName(version)}`);
let newest = 0;
let before: Promise<void> = Promise.resolve();

function answer(told: FromSounds): void {
  self.postMessage(told, { transfer: told.mixed ? [told.mixed.left.buffer, told.mixed.right.buffer] : [] });
}

self.onmessage = ({ data: { ask, mix } }: MessageEvent<ToSounds>) => {
  newest = ask;
  before = before.then(async () => answer({ ask, mixed: ask === newest ? await mixing.mixed(mix) : null }));
};
