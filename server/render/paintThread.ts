import { type MessagePort } from "node:worker_threads";
import { type SegmentTask, renderSegment } from "./segmentRender";

/** A segment to render, and the line on which the pool and the thread that renders it talk meanwhile. */
export interface PaintTask {
  readonly segment: SegmentTask;
  readonly line: MessagePort;
}
/** What a thread says: that it has begun, and each frame that is done. The pool says only `stop`. */
export type FromThread = "begun" | "frame";

/** Renders a segment in a thread of the paint pool. */
export default async function paint({ segment, line }: PaintTask): Promise<void> {
  const say = (word: FromThread): void => line.postMessage(word);
  let stopped = false;
  line.on("message", () => (stopped = true));
  say("begun");
  try {
    await renderSegment(
      segment,
      () => say("frame"),
      () => stopped,
    );
  } finally {
    line.close();
  }
}
