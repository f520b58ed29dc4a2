import { parentPort } from "node:worker_threads";
import { type FromThread, type ToThread } from "./threadMessages";
import { renderSegment } from "./segmentRender";

/** A thread that renders segments, one at a time, as the pool tells it. */
const port = parentPort;
if (!port) throw new Error("This file runs as a thread of the paint pool.");

let stopped = false;
const say = (message: FromThread): void => port.postMessage(message);

port.on("message", (message: ToThread) => {
  if (message.kind === "stop") {
    stopped = true;
    return;
  }
  stopped = false;
  renderSegment(
    message.task,
    () => say({ kind: "frame" }),
    () => stopped,
  ).then(
    () => say({ kind: "done" }),
    (error: unknown) =>
      say({ kind: "failed", reason: error instanceof Error ? (error.stack ?? error.message) : String(error) }),
  );
});
