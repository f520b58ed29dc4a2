import { type ClipFacts } from "../../core/document/facts";
import { type ClipPlayer, openClipPlayer } from "./clipPlayer";

/** Decodes frames of clips on the page, with video elements, for a worker that can't. */
export interface VideoRelay {
  /** Gives exactly this frame, or what is nearest to it while it plays. */
  readonly frame: (clip: ClipFacts, use: string, frame: number, isPlaying: boolean) => Promise<ImageBitmap | null>;
  readonly hold: () => void;
  readonly close: () => void;
}

export function openVideoRelay(): VideoRelay {
  const players = new Map<string, ClipPlayer>();
  return {
    async frame(clip, use, frame, isPlaying) {
      const key = `${use}/${clip.id}`;
      const player = players.get(key) ?? openClipPlayer(clip);
      players.set(key, player);
      if (isPlaying) player.follow(frame);
      else await player.seek(frame);
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
