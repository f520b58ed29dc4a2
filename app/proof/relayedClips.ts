import { type ClipFacts } from "../../core/document/facts";
import { type ClipDecoder } from "./clipDecoder";

/** Clips whose frames come from the page, where this worker has no decoder of its own. */
export interface RelayedClips {
  open(clip: ClipFacts, use: string): ClipDecoder;
  /** Takes a frame that the page sent. */
  take(use: string, frame: number, bitmap: ImageBitmap): void;
}

/** @param ask asks the page for a frame of a use of a clip */
export function openRelayedClips(ask: (use: string, media: string, frame: number) => void): RelayedClips {
  const takers = new Map<string, (frame: number, bitmap: ImageBitmap) => void>();
  return {
    open({ id, frames }, use) {
      let wanted = -1;
      let shown: { readonly frame: number; readonly bitmap: ImageBitmap } | null = null;
      let waiting: (() => void)[] = [];
      const want = (frame: number): void => {
        if (frame === wanted) return;
        wanted = Math.min(frame, frames - 1);
        ask(use, id, wanted);
      };
      takers.set(use, (frame, bitmap) => {
        shown?.bitmap.close();
        shown = { frame, bitmap };
        if (frame !== wanted) return;
        waiting.forEach((resolve) => resolve());
        waiting = [];
      });
      return {
        image: () => shown && { image: shown.bitmap, width: shown.bitmap.width, height: shown.bitmap.height },
        // What the page's player shows while it plays is as near as that player comes.
        isNear: () => shown !== null,
        want,
        exact(frame) {
          want(frame);
          return shown?.frame === wanted ? Promise.resolve() : new Promise((resolve) => waiting.push(resolve));
        },
        close() {
          takers.delete(use);
          shown?.bitmap.close();
          shown = null;
          waiting.forEach((resolve) => resolve());
          waiting = [];
        },
      };
    },
    take(use, frame, bitmap) {
      const taker = takers.get(use);
      if (taker) taker(frame, bitmap);
      else bitmap.close();
    },
  };
}
