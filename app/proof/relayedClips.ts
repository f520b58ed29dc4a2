import { type ClipFacts } from "../../core/document/facts";
import { type ClipDecoder } from "./clipDecoder";

/** A frame of a use of a clip, as it is asked of the page and comes from it. */
export interface RelayedFrame {
  readonly use: string;
  readonly media: string;
  readonly frame: number;
  /** Whether it is exactly this one; else what a video that plays beside shows is near enough. */
  readonly exact: boolean;
}

/** Clips whose frames come from the page, where this worker has no decoder of its own. */
export interface RelayedClips {
  open(clip: ClipFacts, use: string): ClipDecoder;
  /** Takes a frame that the page sent. */
  take(sent: RelayedFrame, bitmap: ImageBitmap): void;
}

/** @param ask asks the page for a frame */
export function openRelayedClips(ask: (wanted: RelayedFrame) => void): RelayedClips {
  const takers = new Map<string, (sent: RelayedFrame, bitmap: ImageBitmap) => void>();
  return {
    open({ id: media, frames }, use) {
      const key = keyOf({ use, media });
      const is = (frame: number, exact: boolean): RelayedFrame => ({
        use,
        media,
        exact,
        frame: Math.min(frame, frames - 1),
      });
      let asked: RelayedFrame | null = null;
      let shown: { readonly sent: RelayedFrame; readonly bitmap: ImageBitmap } | null = null;
      let waiting: (() => void)[] = [];
      const askOnce = (wanted: RelayedFrame): void => {
        if (asked && serves(asked, wanted)) return;
        asked = wanted;
        ask(wanted);
      };
      const goOn = (): void => {
        waiting.forEach((resolve) => resolve());
        waiting = [];
      };
      takers.set(key, (sent, bitmap) => {
        shown?.bitmap.close();
        shown = { sent, bitmap };
        if (asked && serves(sent, asked)) goOn();
      });
      return {
        image: () => shown && { image: shown.bitmap, width: shown.bitmap.width, height: shown.bitmap.height },
        // What the page's player shows while it plays is as near as that player comes.
        isNear: () => shown !== null,
        want: (frame) => askOnce(is(frame, false)),
        exact(frame) {
          const wanted = is(frame, true);
          askOnce(wanted);
          return shown && serves(shown.sent, wanted)
            ? Promise.resolve()
            : new Promise((resolve) => waiting.push(resolve));
        },
        close() {
          takers.delete(key);
          shown?.bitmap.close();
          shown = null;
          goOn();
        },
      };
    },
    take(sent, bitmap) {
      const taker = takers.get(keyOf(sent));
      if (taker) taker(sent, bitmap);
      else bitmap.close();
    },
  };
}

/** A use may change its medium, and both are open for a while. */
const keyOf = ({ use, media }: Pick<RelayedFrame, "use" | "media">): string => `${use}/${media}`;

/** Whether a frame is what was wanted, or would be when it comes. */
const serves = (one: RelayedFrame, wanted: RelayedFrame): boolean =>
  one.frame === wanted.frame && (one.exact || !wanted.exact);
