import { type FrameRate } from "../../core/time/frames";
import { startFrameEncoder } from "../media/frameEncoder";
import { collectYoung } from "../threads/collectYoung";
import { encodeSettings } from "./encoder";
import { openFrameSource } from "./frameSource";
import { NEIGHBOURS, openPlanarFrames } from "./planar/planarFrames";
import { type OutputChoice, type RenderInput } from "./renderInput";
import { frameStart } from "../../core/time/ticks";

export interface SegmentTask extends OutputChoice {
  readonly input: RenderInput;
  readonly from: number;
  readonly to: number;
  readonly rate: FrameRate;
  readonly width: number;
  readonly height: number;
  /** Where the finished file is written. */
  readonly path: string;
}

/** So many frames' pixels at most wait to be given back. */
const FRAMES_KEPT = 4;

/** Paints and encodes the frames of one segment. Calls `onFrame` after each; stops early when `stopped` says so. */
export async function renderSegment(task: SegmentTask, onFrame: () => void, stopped: () => boolean): Promise<void> {
  const source = await openFrameSource(task.input, task);
  const planar = await openPlanarFrames(task);
  const encoder = startFrameEncoder({ ...task, pixels: "yuv420p", settings: encodeSettings(task.rate) });
  try {
    for (let frame = task.from; frame < task.to; frame++) {
      if (stopped()) throw new Error("The render was stopped.");
      await source.changesAt(frameStart(frame, task.rate), NEIGHBOURS, planar.change);
      if (frame % FRAMES_KEPT === 0) collectYoung();
      await encoder.write(planar.planes);
      onFrame();
    }
    await encoder.finish();
  } catch (error) {
    encoder.stop();
    throw error;
  } finally {
    source.stop();
    planar.close();
  }
}
