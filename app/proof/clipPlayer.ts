import { type DecodedFrame } from "../../paint/resources";
import { type ClipFacts } from "../../core/document/facts";
import { mediaAddress } from "../components/mediaAddress";

/** Shows frames of a clip's proxy: exactly when asked for one, or running along while the trio plays. */
export interface ClipPlayer {
  /** What to draw now; null until the clip can be shown at all. */
  image(): DecodedFrame | null;
  /** Resolves when exactly this frame is shown. */
  seek(frame: number): Promise<void>;
  /** Runs along from a frame; corrected when it drifts by more than two frames. */
  follow(frame: number): void;
  hold(): void;
  close(): void;
}

const MOST_DRIFT_FRAMES = 2.5;

export function openClipPlayer(clip: ClipFacts): ClipPlayer {
  const video = document.createElement("video");
  video.muted = true;
  video.playsInline = true;
  video.preload = "auto";
  video.src = mediaAddress(clip, "proxy");
  const second = clip.rate.numerator / clip.rate.denominator;
  /** The middle of a frame, so that rounding never lands on its neighbour. */
  const timeOf = (frame: number): number => (frame + 0.5) / second;
  let shown = -1;
  let wanted = -1;
  let seeking: Promise<void> = Promise.resolve();

  async function seekNow(frame: number): Promise<void> {
    if (video.readyState < HTMLMediaElement.HAVE_METADATA) await event(video, "loadedmetadata");
    video.pause();
    if (shown === frame && video.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA && !video.seeking) return;
    const done = event(video, "seeked");
    video.currentTime = timeOf(frame);
    await done;
    // A seek is finished before its picture is presented; the callback comes with the picture.
    await presented(video);
    shown = frame;
  }

  return {
    image: () =>
      video.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA
        ? { image: video, width: video.videoWidth, height: video.videoHeight }
        : null,
    seek(frame) {
      if (wanted === frame) return seeking;
      wanted = frame;
      seeking = seeking.catch(() => undefined).then(() => (wanted === frame ? seekNow(frame) : undefined));
      return seeking;
    },
    follow(frame) {
      wanted = shown = -1;
      if (Math.abs(video.currentTime - timeOf(frame)) * second > MOST_DRIFT_FRAMES && !video.seeking)
        video.currentTime = timeOf(frame);
      if (frame >= clip.frames - 1) video.pause();
      else if (video.paused) video.play().catch(() => undefined);
    },
    hold: () => video.pause(),
    close() {
      video.pause();
      video.removeAttribute("src");
      video.load();
    },
  };
}

const event = (target: HTMLVideoElement, name: string): Promise<void> =>
  new Promise((resolve, reject) => {
    target.addEventListener(name, () => resolve(), { once: true });
    target.addEventListener("error", () => reject(new Error("The clip's proxy could not be played.")), { once: true });
  });

/** Resolves when the picture of the last seek is there to draw; at the latest after a tenth of a second. */
function presented(video: HTMLVideoElement): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(resolve, 100);
    video.requestVideoFrameCallback(() => {
      clearTimeout(late);
      resolve();
    });
  });
}
