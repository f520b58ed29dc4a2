import { createHash } from "node:crypto";
import { outputSize } from "../../core/placement/quality";
import { paintedStretch } from "../../core/scene/paintedText";
import { type PreparedPromotion } from "../../core/scene/preparePromotion";
import { FPS_30, type FrameRate, frameCount } from "../../core/time/frames";
import { PAINTER_VERSION } from "../../paint/painter";
import { ENCODER_VERSION } from "./encoder";
import { preparedInput } from "./preparedInput";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { frameStart } from "../../core/time/ticks";
import { spansAt } from "../../core/time/tracks";

/** A stretch of frames that shows one scene, or one pair of scenes in transition, and is rendered as a file of its own. */
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
  { format, quality }: OutputChoice,
  rate: FrameRate = FPS_30,
): Promise<RenderPlan> {
  const prepared = await preparedInput(input, format);
  const { width, height } = outputSize(format, quality);
  const frames = frameCount(prepared.length, rate);
  const segments = stretchesOf(prepared, frames, rate).map(({ from, to, scenes }) => {
    const painted = paintedStretch(prepared, scenes, frameStart(from, rate), input.hashes);
    const decides = [PAINTER_VERSION, ENCODER_VERSION, width, height, rate, to - from, painted];
    return { from, to, key: createHash("sha256").update(JSON.stringify(decides)).digest("hex") };
  });
  return { rate, frames, width, height, segments };
}

interface Stretch {
  readonly from: number;
  readonly to: number;
  /** Which scenes are shown: one, or two in transition. */
  readonly scenes: readonly number[];
}

function stretchesOf(prepared: PreparedPromotion, frames: number, rate: FrameRate): Stretch[] {
  const stretches: Stretch[] = [];
  for (let frame = 0; frame < frames; frame++) {
    const scenes = spansAt(prepared.track, frameStart(frame, rate)).map(({ what }) => what);
    const last = stretches.at(-1);
    if (last?.scenes.join() === scenes.join()) stretches[stretches.length - 1] = { ...last, to: frame + 1 };
    else stretches.push({ from: frame, to: frame + 1, scenes });
  }
  return stretches;
}
