import { Input, MP4, UrlSource, VideoSampleSink } from "mediabunny";
import { type ClipFacts } from "../../core/document/facts";
import { type DecodedFrame } from "../../paint/resources";
import { mediaAddress } from "../components/mediaAddress";

/** Gives the frames of one use of a clip: exactly the one asked for, or running along while it plays. */
export interface ClipDecoder {
  /** The wanted frame, or the nearest before it that is here; null until there is one. */
  image(): DecodedFrame | null;
  /** Whether that image is this frame or the one beside it. */
  isNear(frame: number): boolean;
  /** Asks for a frame, without waiting: those after it are decoded ahead. */
  want(frame: number): void;
  /** Resolves when exactly this frame is here. */
  exact(frame: number): Promise<void>;
  close(): void;
}

/** Decoded and kept after the wanted frame, so that playing never waits, */
const AHEAD = 6;
/** and before it: as many as a group of pictures of a proxy has, so that stepping back decodes once a group. */
const BEHIND = 8;

/** A decoder that falls behind by fewer frames than this while it plays catches up: one begun anew would be late again. */
const CATCHES_UP = 45;

/** Whether this browser decodes frames one by one. It does so in secure contexts only. */
export const canDecodeFrames = (): boolean => "VideoDecoder" in globalThis;

/** A decoder of a clip's proxy (constant rate, short groups of pictures). */
export function openClipDecoder(clip: ClipFacts): ClipDecoder {
  const { rate, frames: count } = clip;
  const second = rate.numerator / rate.denominator;
  const address = location.origin + mediaAddress(clip, "proxy");
  const input = new Input({ source: new UrlSource(address), formats: [MP4] });
  const sink = input.getPrimaryVideoTrack().then((track) => (track ? new VideoSampleSink(track) : null));
  const frames = new Map<number, VideoFrame>();
  const waiting = new Map<number, (() => void)[]>();
  let wanted = -1;
  /** The next frame that comes out of the decoder; past the last when it has ended. */
  let cursor = 0;
  let turn = 0;
  let isRunning = false;
  let wake: () => void = () => undefined;

  function keep(index: number, frame: VideoFrame): void {
    frames.get(index)?.close();
    frames.set(index, frame);
    waiting.get(index)?.forEach((resolve) => resolve());
    waiting.delete(index);
  }

  function dropFar(): void {
    const nearest = nearestBefore();
    for (const [index, frame] of frames)
      if (index !== nearest && (index < wanted - BEHIND || index > wanted + AHEAD)) {
        frame.close();
        frames.delete(index);
      }
  }

  const nearestBefore = (): number | null =>
    frames.has(wanted) ? wanted : ([...frames.keys()].filter((index) => index < wanted).sort(descending)[0] ?? null);

  async function run(from: number): Promise<void> {
    const mine = ++turn;
    isRunning = true;
    cursor = from;
    // The middle of a frame, so that rounding never lands on its neighbour.
    const samples = (await sink)?.samples((from + 0.5) / second);
    for await (const sample of samples ?? []) {
      const index = Math.round(sample.timestamp * second);
      const frame = sample.toVideoFrame();
      sample.close();
      if (mine !== turn) {
        frame.close();
        return;
      }
      keep(index, frame);
      cursor = index + 1;
      // Decoded no further than will soon be shown.
      while (mine === turn && cursor > wanted + AHEAD) await new Promise<void>((resolve) => (wake = resolve));
    }
    if (mine !== turn) return;
    isRunning = false;
    // A clip with fewer frames than is said of it: nobody waits for those that never come.
    for (const resolve of [...waiting.values()].flat()) resolve();
    waiting.clear();
  }

  /** @param reach how far ahead of the running decoder a frame may be for it to be waited for */
  function ask(frame: number, reach: number): void {
    const back = frame < wanted;
    wanted = Math.min(frame, count - 1);
    dropFar();
    wake();
    const isComing = isRunning && wanted >= cursor && wanted <= cursor + reach;
    if (frames.has(wanted) || isComing) return;
    // Going back, a whole group is decoded, so that the steps before this one are here too.
    const from = back ? Math.max(0, wanted - BEHIND + 1) : wanted;
    run(from).catch(() => {
      isRunning = false;
    });
  }

  return {
    image() {
      const nearest = nearestBefore();
      const frame = nearest === null ? undefined : frames.get(nearest);
      return frame ? { image: frame, width: frame.displayWidth, height: frame.displayHeight } : null;
    },
    isNear(frame) {
      const nearest = nearestBefore();
      return nearest !== null && Math.abs(Math.min(frame, count - 1) - nearest) <= 1;
    },
    want: (frame) => ask(frame, CATCHES_UP),
    exact(frame) {
      ask(frame, AHEAD);
      const index = wanted;
      if (frames.has(index)) return Promise.resolve();
      return new Promise((resolve) => {
        waiting.set(index, [...(waiting.get(index) ?? []), resolve]);
      });
    },
    close() {
      turn++;
      wake();
      frames.forEach((frame) => frame.close());
      frames.clear();
      [...waiting.values()].flat().forEach((resolve) => resolve());
      waiting.clear();
      input.dispose();
    },
  };
}

const descending = (one: number, other: number): number => other - one;
