import { type ResolvedScene } from "../document/resolve";
import { type Size } from "../geometry/rect";
import { type FormatName, formatOf } from "../placement/formats";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { FPS_30 } from "../time/frames";
import { type Ticks, frameStart } from "../time/ticks";
import { sceneMostSeen } from "../time/timeline";
import { type Finding } from "./finding";
import { livelyFrames } from "./livelyFrames";
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

interface Checked {
  readonly prepared: PreparedPromotion;
  /** What it was prepared from. */
  readonly scenes: readonly ResolvedScene[];
  /** Gives a frame as RGBA of `checkedSize`: the very same where it looks like the one before. Lively ones are asked for. */
  readonly frameAt: (time: Ticks) => Promise<ArrayLike<number>>;
  /** Asked before every frame: whether nobody waits for the answer any more. */
  readonly isOver?: () => boolean;
}

/** What the frames of a promotion in a format show that should not be; null where it was over before the end. */
export async function checkFrames({ prepared, scenes, frameAt, isOver }: Checked): Promise<Finding[] | null> {
  const watches = FRAME_RULES.map(({ id, watch }) => ({ rule: id, ...watch(checkedSize(prepared.format)) }));
  let before: ArrayLike<number> | null = null;
  for (const frame of livelyFrames(prepared)) {
    if (isOver?.()) return null;
    const rgba = await frameAt(frameStart(frame, FPS_30));
    if (rgba !== before) for (const { add } of watches) add(rgba, (frame * FPS_30.denominator) / FPS_30.numerator);
    before = rgba;
  }
  return watches.flatMap(({ rule, found }) =>
    found().map(({ at, ...seen }): Finding => {
      const scene = scenes[sceneMostSeen(prepared.spans, at * 1000)]?.id ?? null;
      return { rule, where: { scene, format: prepared.format, slot: null }, ...seen };
    }),
  );
}
