import { type ClipFacts } from "../../core/document/facts";
import { type RelayedFrame } from "./relayedClips";
import { type ClipPlayer, openClipPlayer } from "./clipPlayer";

/** Decodes frames of clips on the page, with video elements, for a worker that can't. */
export interface VideoRelay {
  /** Gives exactly the wanted frame, or where that need not be what a video that plays along shows. */
  readonly frame: (clip: ClipFacts, wanted: RelayedFrame) => Promise<ImageBitmap | null>;
  readonly hold: () => void;
  readonly close: () => void;
}

export function openVideoRelay(): VideoRelay {
  const players = new Map<string, ClipPlayer>();
  return {
    async frame(clip, { use, frame, exact }) {
      const key = `${use}/${clip.id}/${clip.version ?? ""}`;
      const player = players.get(key) ?? openClipPlayer(clip);
      players.set(key, player);
      if (exact) await player.seek(frame);
      else player.follow(frame);
      const shown = player.image();
      return shown ? createImageBitmap(shown.image) : null;
    },
    hold: () => players.forEach((player) => player.hold()),
    close() {
      players.forEach((player) => player.close());
      players.clear();
    },
  };
}
