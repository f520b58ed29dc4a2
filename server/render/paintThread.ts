import { type MessagePort } from "node:worker_threads";
import { type SegmentTask, renderSegment } from "./segmentRender";

/** A segment to render, and the line on which its thread tells each frame that is done, and is told to stop. */
export interface PaintTask {
  readonly segment: SegmentTask;
  readonly line: MessagePort;
}
/** Renders a segment in a thread of the paint pool. */
export default async function paint({ segment, line }: PaintTask): Promise<void> {
  let stopped = false;
  line.on("message", () => (stopped = true));
  try {
    await renderSegment(
      segment,
      () => line.postMessage("frame"),
      () => stopped,
    );
  } finally {
    line.close();
  }
}
