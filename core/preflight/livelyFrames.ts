import { type ResolvedScene } from "../document/resolve";
import { type DisplayList, everyNode } from "../scene/displayList";
import { type PreparedPromotion, displayListAt } from "../scene/preparePromotion";
import { FPS_30, frameCount } from "../time/frames";
import { type MediaHashes, paintedStretch } from "../scene/paintedText";
import { type Ticks, frameStart } from "../time/ticks";
import { turns } from "../time/tracks";

/** More changes than this within a second are more than words and scenes that come and go make. */
const CALM_CHANGES = 6;
const SECOND = FPS_30.numerator / FPS_30.denominator;

/** Whether any frame of some scenes can be lively: only clips, and slots with several shots, change much by themselves. */
export const canBeLively = (scenes: readonly ResolvedScene[]): boolean =>
  scenes.some(({ shots }) =>
    Object.values(shots).some((cut) => cut.length > 1 || cut.some(({ media }) => media.kind === "clip")),
  );

/**
 * The frames that can change much from one to the next, by their number at 30 a second: those that show a clip, and those of
 * a second in which pictures change often. All else comes once, goes once, or moves slowly, and need not be painted to know.
 */
export function livelyFrames(prepared: PreparedPromotion): number[] {
  const shown = Array.from({ length: frameCount(prepared.length, FPS_30) }, (_, frame) =>
    mediaIn(displayListAt(prepared, frameStart(frame, FPS_30))),
  );
  const changes = shown.map(({ pictures }, frame) => (pictures === (shown[frame - 1]?.pictures ?? pictures) ? 0 : 1));
  const isLively = shown.map(({ hasClip }) => hasClip);
  for (let from = 0; from < shown.length; from++)
    if (changes.slice(from, from + SECOND).reduce<number>((sum, one) => sum + one, 0) > CALM_CHANGES)
      isLively.fill(true, Math.max(0, from - 1), from + SECOND);
  return isLively.flatMap((lively, frame) => (lively ? [frame] : []));
}

/**
 * Everything that decides the pixels of the lively frames, as text: what else changes need not be looked at again.
 * @param frames the lively ones @param hashes names media by their bytes
 */
export function livelyText(prepared: PreparedPromotion, frames: readonly number[], hashes: MediaHashes): string {
  const edges = turns([prepared.track, prepared.items, prepared.ending]);
  const stretches = new Map<Ticks, Ticks[]>();
  for (const frame of frames) {
    const at = frameStart(frame, FPS_30);
    const from = edges.findLast((edge) => edge <= at) ?? at;
    const times = stretches.get(from);
    if (times) times.push(at);
    else stretches.set(from, [at]);
  }
  return JSON.stringify([...stretches].map(([from, times]) => [from, paintedStretch(prepared, times, hashes)]));
}

function mediaIn(list: DisplayList): { readonly hasClip: boolean; readonly pictures: string } {
  let hasClip = false;
  const pictures: string[] = [];
  for (const node of everyNode(list))
    if (node.kind === "clip") hasClip = true;
    else if (node.kind === "picture") pictures.push(node.media);
  return { hasClip, pictures: pictures.join(" ") };
}
