import { createHash } from "node:crypto";
import { type ResolvedPromotion, type ResolvedScene, resolvePromotion } from "../../core/document/resolve";
import { outputSize } from "../../core/placement/quality";
import { FPS_30, type FrameRate, frameCount, frameTime } from "../../core/time/frames";
import { scenesAt } from "../../core/time/timeline";
import { PAINTER_VERSION } from "../../paint/painter";
import { ENCODER_VERSION } from "./encoder";
import { type OutputChoice, type RenderInput } from "./renderInput";

/** A stretch of frames that shows one scene, or one pair of scenes in transition, and is rendered as a file of its own. */
export interface Segment {
  /** Hash over everything that can change its pixels. */
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
export function renderPlan(
  input: RenderInput,
  { format, quality }: OutputChoice,
  rate: FrameRate = FPS_30,
): RenderPlan {
  const promotion = resolvePromotion(input.document, input.facts);
  const { width, height } = outputSize(format, quality);
  const frames = frameCount(promotion.length, rate);
  const segments: Segment[] = [];
  let start = 0;
  let shown = scenesOnFrame(promotion, 0, rate);
  for (let frame = 1; frame <= frames; frame++) {
    const next = frame < frames ? scenesOnFrame(promotion, frame, rate) : "end";
    if (next === shown) continue;
    segments.push({
      from: start,
      to: frame,
      key: segmentHash(input, promotion, { format, quality }, rate, start, frame),
    });
    start = frame;
    shown = next;
  }
  return { rate, frames, width, height, segments };
}

function scenesOnFrame({ spans }: ResolvedPromotion, frame: number, rate: FrameRate): string {
  const { under, over } = scenesAt(spans, frameTime(frame, rate));
  return `${under.index}/${over?.span.index ?? ""}`;
}

function segmentHash(
  input: RenderInput,
  promotion: ResolvedPromotion,
  output: OutputChoice,
  rate: FrameRate,
  from: number,
  to: number,
): string {
  const { under, over } = scenesAt(promotion.spans, frameTime(from, rate));
  const last = promotion.scenes.length - 1;
  const shown = [under, ...(over ? [over.span] : [])].map((span) => {
    const scene = promotion.scenes[span.index];
    return {
      scene,
      hashes: scene && mediaHashes(scene, input),
      start: frameTime(from, rate) - span.start,
      first: span.index === 0,
      last: span.index === last,
    };
  });
  const brand = {
    ...promotion.facts.brand,
    logoHashes: promotion.facts.brand.logos.map(({ picture }) => input.hashes[picture.id] ?? null),
  };
  const inputs = {
    painter: PAINTER_VERSION,
    encoder: ENCODER_VERSION,
    ...output,
    rate,
    frames: to - from,
    overlap: over ? over.span.entered - over.span.start : 0,
    brand,
    shown,
  };
  return createHash("sha256").update(JSON.stringify(inputs)).digest("hex");
}

const mediaHashes = (scene: ResolvedScene, input: RenderInput): (string | null)[] =>
  Object.values(scene.media).map((item) => (item ? (input.hashes[item.id] ?? null) : null));
