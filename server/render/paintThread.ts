import { getPriority, setPriority } from "node:os";
import { setFlagsFromString } from "node:v8";
import { type MessagePort } from "node:worker_threads";
import { GIVES_WAY } from "./givesWay";
import { type SegmentTask, renderSegment } from "./segmentRender";

/** A segment to render, and the line on which its thread tells each frame that is done, and is told to stop. */
export interface PaintTask {
  readonly segment: SegmentTask;
  readonly line: MessagePort;
}

// Hardly any of the work is JavaScript: to make quicker what is used a little takes more of the processor than it gives back
// (docs/decisions/frames-of-pieces.md). Usual are 132 KB.
setFlagsFromString("--interrupt-budget=500000");
// For this thread and the encoders that it starts.
setPriority(Math.max(GIVES_WAY, getPriority()));

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
