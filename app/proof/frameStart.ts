import { FPS_30 } from "../../core/time/frames";
import { frameOn, frameStart, msOf, ticksOf } from "../../core/time/ticks";

/** The start of the frame that is on screen at a time, in milliseconds; the last one's at the end. */
export function toFrameStart(ms: number, length: number): number {
  const last = frameOn(ticksOf(Math.max(0, length - 1)), FPS_30);
  // Half a millisecond on, because a frame's own start is no whole number of them.
  const frame = Math.min(last, Math.max(0, frameOn(ticksOf(ms + 0.5), FPS_30)));
  return msOf(frameStart(frame, FPS_30));
}
