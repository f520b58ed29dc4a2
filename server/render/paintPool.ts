import { setTimeout as sleep } from "node:timers/promises";
import { MessageChannel } from "node:worker_threads";
import { openThreads } from "../threads/openThreads";
import { largestFirst } from "./largestFirst";
import { paintThreads } from "./paintThreads";
import { type PaintTask } from "./paintThread";
import { type SegmentTask } from "./segmentRender";

const STOP_WITHIN_MS = 3000;

/** Threads that paint and encode segments, shared by all renders of a process. */
export interface PaintPool {
  /** Renders a segment when a thread is free. Rejects when it fails or `signal` is aborted. */
  render(segment: SegmentTask, onFrame: () => void, signal: AbortSignal): Promise<void>;
  close(): Promise<void>;
}

/** Threads start at once. */
export function openPaintPool(size = paintThreads()): PaintPool {
  const threads = openThreads<PaintTask, undefined>("server/render/paintThread.ts", {
    minThreads: size,
    maxThreads: size,
  });
  const gate = largestFirst(size);
  const closing = new AbortController();
  const running = new Set<Promise<unknown>>();

  async function render(segment: SegmentTask, onFrame: () => void, signal: AbortSignal): Promise<void> {
    const { port1: line, port2 } = new MessageChannel();
    line.on("message", onFrame);
    // Told to stop rather than ended, so that no decoder or encoder outlives its thread.
    const stop = (): void => line.postMessage("stop");
    signal.addEventListener("abort", stop);
    try {
      await threads.run({ segment, line: port2 }, { transferList: [port2] });
    } finally {
      signal.removeEventListener("abort", stop);
      line.close();
    }
  }

  async function renderInTurn(segment: SegmentTask, onFrame: () => void, signal: AbortSignal): Promise<void> {
    const stop = AbortSignal.any([signal, closing.signal]);
    const work = (segment.to - segment.from) * segment.width * segment.height;
    try {
      await gate.run(work, stop, () => render(segment, onFrame, stop));
    } catch (error) {
      throw stop.aborted ? new Error("The render was stopped.", { cause: error }) : error;
    }
  }

  return {
    render(segment, onFrame, signal) {
      const rendering = renderInTurn(segment, onFrame, signal);
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
