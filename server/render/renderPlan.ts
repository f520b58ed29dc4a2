import { createHash } from "node:crypto";
import { outputSize } from "../../core/placement/quality";
import { paintedStretch } from "../../core/scene/paintedText";
import { type PreparedPromotion } from "../../core/scene/preparePromotion";
import { FPS_30, type FrameRate, frameCount } from "../../core/time/frames";
import { PAINTER_VERSION } from "../../paint/painter";
import { ENCODER_VERSION } from "./encoder";
import { preparedInput } from "./preparedInput";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { frameStart, ticksOf, ticksPerFrame } from "../../core/time/ticks";
import { type Track, turns } from "../../core/time/tracks";

/** A stretch of frames in which the same scenes and items are shown, and that is rendered as a file of its own. */
export interface Segment {
  /** Hash over everything that decides its pixels. */
  readonly key: string;
  readonly from: number;
  /** The frame after the last. */
  readonly to: number;
}

export interface RenderPlan {
  readonly rate: FrameRate;
  readonly frames: number;
  readonly width: number;
  readonly height: number;
  readonly segments: readonly Segment[];
}

/** Cuts a promotion in a format into segments. A segment whose key was seen before need not be rendered again. */
export async function renderPlan(
  input: RenderInput,
  { format, quality, isMarked }: OutputChoice,
  rate: FrameRate = FPS_30,
): Promise<RenderPlan> {
  const prepared = await preparedInput(input, format, isMarked);
  const { width, height } = outputSize(format, quality);
  const frames = frameCount(prepared.length, rate);
  const segments = stretchesOf(prepared, frames, rate).map(({ from, to }) => {
    const times = Array.from({ length: to - from }, (_, index) => frameStart(from + index, rate));
    const painted = paintedStretch(prepared, times, input.hashes);
    const decides = [PAINTER_VERSION, ENCODER_VERSION, width, height, rate, to - from, painted];
    return { from, to, key: createHash("sha256").update(JSON.stringify(decides)).digest("hex") };
  });
  return { rate, frames, width, height, segments };
}

/**
 * Scenes that come in, from when the first of their words do: late in a join, so most of it is painted without them, and
 * stays as it is when they are changed.
 */
const wordsComing = ({ scenes, spans }: PreparedPromotion): Track<number> =>
  spans.flatMap(({ index, start, entered }) => {
    const comings = (scenes[index]?.parts ?? []).flatMap((part) =>
      part.kind === "moving" && part.motion !== "still" ? [part.enters] : [],
    );
    const from = start + Math.min(...comings);
    return from < entered ? [{ from: ticksOf(from), to: ticksOf(entered), what: index }] : [];
  });

interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** Stretches of frames in which no scene or item comes or goes, nor words that a scene brings in while it comes. */
function stretchesOf(prepared: PreparedPromotion, frames: number, rate: FrameRate): Stretch[] {
  const { track, items, ending } = prepared;
  // A frame shows what is there when it begins, so a turn counts from the next frame's start.
  const cuts = turns([track, items, ending, wordsComing(prepared)]).map((time) =>
    Math.ceil(time / ticksPerFrame(rate)),
  );
  const edges = [...new Set([0, ...cuts.filter((cut) => cut > 0 && cut < frames), frames])];
  return edges.slice(0, -1).map((from, index) => ({ from, to: edges[index + 1] ?? frames }));
}
