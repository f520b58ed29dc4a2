import { availableParallelism } from "node:os";
import { setTimeout as sleep } from "node:timers/promises";
import { MessageChannel } from "node:worker_threads";
import { config } from "../config";
import { openThreads } from "../threads/openThreads";
import { largestFirst, withWork } from "./largestFirst";
import { type FromThread, type PaintTask } from "./paintThread";
import { type SegmentTask } from "./segmentRender";

const STOP_WITHIN_MS = 3000;

/** Threads that paint and encode segments, shared by all renders of a process. */
export interface PaintPool {
  /** Renders a segment when a thread is free. Rejects when it fails or `signal` is aborted. */
  render(segment: SegmentTask, onFrame: () => void, signal: AbortSignal): Promise<void>;
  close(): Promise<void>;
}

/** One thread more than cores, because a thread waits while its encoder catches up. Threads start at once. */
export function openPaintPool(size = config().PAINT_THREADS ?? availableParallelism() + 1): PaintPool {
  const threads = openThreads<PaintTask, undefined>("server/render/paintThread.ts", {
    minThreads: size,
    maxThreads: size,
    taskQueue: largestFirst(),
  });
  const closing = new AbortController();
  const running = new Set<Promise<unknown>>();

  async function render(segment: SegmentTask, onFrame: () => void, signal: AbortSignal): Promise<void> {
    const stop = AbortSignal.any([signal, closing.signal]);
    if (stop.aborted) throw new Error(STOPPED);
    const { port1: line, port2 } = new MessageChannel();
    const waiting = new AbortController();
    let begun = false;
    line.on("message", (word: FromThread) => {
      if (word === "frame") onFrame();
      else begun = true;
    });
    // A running segment is told to stop, so that no decoder or encoder outlives it; a waiting one is taken out of the queue.
    stop.addEventListener("abort", () => {
      if (begun) line.postMessage("stop");
      else waiting.abort();
    });
    const work = (segment.to - segment.from) * segment.width * segment.height;
    const task = withWork<PaintTask>({ segment, line: port2 }, work);
    try {
      await threads.run(task, { transferList: [port2], signal: waiting.signal });
    } catch (error) {
      throw signal.aborted || closing.signal.aborted ? new Error(STOPPED, { cause: error }) : error;
    } finally {
      line.close();
    }
  }

  return {
    render(segment, onFrame, signal) {
      const rendering = render(segment, onFrame, signal);
      const settled = rendering.catch(() => undefined).finally(() => running.delete(settled));
      running.add(settled);
      return rendering;
    },
    async close() {
      closing.abort();
      await Promise.race([Promise.all(running), sleep(STOP_WITHIN_MS, undefined, { ref: false })]);
      await threads.end();
    },
  };
}

const STOPPED = "The render was stopped.";
