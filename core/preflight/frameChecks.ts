import { type ResolvedScene } from "../document/resolve";
import { type Size } from "../geometry/rect";
import { type FormatName, formatOf } from "../placement/formats";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { FPS_30 } from "../time/frames";
import { type Ticks, frameStart } from "../time/ticks";
import { sceneMostSeen } from "../time/timeline";
import { type Finding } from "./finding";
import { RULES } from "./rules";

/** Frames are checked so small: what is found in them has to be large to count. */
const SHORT_SIDE = 36;

/** In which size frames of a format are checked, in pixels. */
export function checkedSize(format: FormatName): Size {
  const { width, height } = formatOf(format);
  const scale = SHORT_SIDE / Math.min(width, height);
  return { width: Math.round(width * scale), height: Math.round(height * scale) };
}

const FRAME_RULES = RULES.filter((rule) => "watch" in rule);

/** A promotion in a format, and how its frames are come by. */
export interface FramesToCheck {
  readonly prepared: PreparedPromotion;
  /** The lively ones. */
  readonly frames: readonly number[];
  /** Gives a frame as RGBA of `checkedSize`: the very same where it looks like the one before. */
  readonly frameAt: (time: Ticks) => Promise<ArrayLike<number>>;
}

interface Checked {
  /** The same promotion in one format or several. */
  readonly shapes: readonly FramesToCheck[];
  /** What they were prepared from. */
  readonly scenes: readonly ResolvedScene[];
  /** Asked before every frame: whether nobody waits for the answer any more. */
  readonly isOver?: () => boolean;
}

/**
 * What the frames of a promotion show that should not be, format by format; null where it was over before the end. All
 * formats are gone through together, so that what they share need be made ready for a moment only once.
 */
export async function checkFrames({ shapes, scenes, isOver }: Checked): Promise<Finding[] | null> {
  const checks = shapes.map(({ prepared, frames, frameAt }) => ({
    prepared,
    frameAt,
    frames: new Set(frames),
    watches: FRAME_RULES.map(({ id, watch }) => ({ rule: id, ...watch(checkedSize(prepared.format)) })),
  }));
  /** The frame that each has seen last. */
  const seen = new Map<(typeof checks)[number], ArrayLike<number>>();
  const frames = [...new Set(checks.flatMap((check) => [...check.frames]))].sort((one, other) => one - other);
  for (const frame of frames)
    for (const check of checks) {
      if (!check.frames.has(frame)) continue;
      if (isOver?.()) return null;
      const rgba = await check.frameAt(frameStart(frame, FPS_30));
      const seconds = (frame * FPS_30.denominator) / FPS_30.numerator;
      if (rgba !== seen.get(check)) for (const { add } of check.watches) add(rgba, seconds);
      seen.set(check, rgba);
    }
  return checks.flatMap(({ prepared, watches }) =>
    watches.flatMap(({ rule, found }) =>
      found().map(({ at, ...seen }): Finding => {
        const scene = scenes[sceneMostSeen(prepared.spans, at * 1000)]?.id ?? null;
        return { rule, where: { scene, format: prepared.format, slot: null }, ...seen };
      }),
    ),
  );
}
