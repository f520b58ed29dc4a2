import { createHash } from "node:crypto";
import { setImmediate as turn } from "node:timers/promises";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type Finding } from "../../core/preflight/finding";
import { type FramesToCheck, checkFrames, checkedSize } from "../../core/preflight/frameChecks";
import { canBeLively, livelyFrames, livelyText } from "../../core/preflight/livelyFrames";
import { type PreparedPromotion } from "../../core/scene/preparePromotion";
import { type Ticks } from "../../core/time/ticks";
import { PAINTER_VERSION } from "../../paint/painter";
import { remembered } from "../remembered";
import { frameSource } from "../render/frameSource";
import { type RenderInput } from "../render/renderInput";

/** What was found in frames that were painted before, by what decides them: who lets something pass asks twice. */
const once = remembered<readonly Finding[]>(100);

/** What the frames of a promotion in a format show that should not be. Others have their turn between frames. */
export function findingsInFrames(
  prepared: PreparedPromotion,
  { scenes }: ResolvedPromotion,
  input: RenderInput,
): Promise<readonly Finding[]> {
  if (!canBeLively(scenes)) return Promise.resolve([]);
  const frames = livelyFrames(prepared);
  const ids = scenes.map(({ id }) => id);
  const decides = JSON.stringify([PAINTER_VERSION, prepared.format, ids, livelyText(prepared, frames, input.hashes)]);
  const key = createHash("sha256").update(decides).digest("hex");
  return once(key, () => look({ prepared, frames }, scenes, input));
}

async function look(
  { prepared, frames }: Pick<FramesToCheck, "prepared" | "frames">,
  scenes: ResolvedPromotion["scenes"],
  input: RenderInput,
): Promise<Finding[]> {
  const source = frameSource(prepared, input, checkedSize(prepared.format));
  try {
    const frameAt = async (time: Ticks): Promise<ArrayLike<number>> => {
      await turn();
      return source.frameAt(time);
    };
    const found = await checkFrames({ shapes: [{ prepared, frames, frameAt }], scenes });
    return found ?? [];
  } finally {
    source.stop();
  }
}
