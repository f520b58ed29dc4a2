import { availableParallelism } from "node:os";
import { type Worker } from "node:worker_threads";
import { config } from "../config";
import { startThread } from "../threads/startThread";
import { type SegmentTask } from "./segmentRender";
import { type FromThread, type ToThread } from "./threadMessages";

const STOP_WITHIN_MS = 3000;

interface QueuedTask {
  readonly task: SegmentTask;
  readonly onFrame: () => void;
  readonly signal: AbortSignal;
  readonly resolve: () => void;
  readonly reject: (error: Error) => void;
  /** Stops listening to the signal. */
  ended: () => void;
}

/** Threads that paint and encode segments, shared by all renders of a process. */
export interface PaintPool {
  /** Renders a segment when a thread is free. Rejects when it fails or `signal` is aborted. */
  render(task: SegmentTask, onFrame: () => void, signal: AbortSignal): Promise<void>;
  close(): Promise<void>;
}

/** One thread more than cores, because a thread waits while its encoder catches up. Threads start at once. */
export function openPaintPool(size = config().PAINT_THREADS ?? availableParallelism() + 1): PaintPool {
  const queue: QueuedTask[] = [];
  const threads = new Set<Worker>();
  const idle: Worker[] = [];
  const busy = new Map<Worker, QueuedTask>();

  function openThread(): Worker {
    const thread = startThread("server/render/paintThread.ts");
    threads.add(thread);
    thread.on("message", (message: FromThread) => {
      const queued = busy.get(thread);
      if (message.kind === "frame") return queued?.onFrame();
      queued?.ended();
      busy.delete(thread);
      idle.push(thread);
      if (message.kind === "done") queued?.resolve();
      else queued?.reject(new Error(message.reason));
      advance();
    });
    thread.on("error", (error) => {
      threads.delete(thread);
      busy.get(thread)?.reject(error);
      busy.delete(thread);
      advance();
    });
    return thread;
  }

  function advance(): void {
    while (queue.length > 0) {
      const thread = idle.pop() ?? (threads.size < size ? openThread() : null);
      const next = thread && takeLargest(queue);
      if (!thread || !next) return;
      if (next.signal.aborted) {
        idle.push(thread);
        next.reject(new Error("The render was stopped."));
        continue;
      }
      busy.set(thread, next);
      listenForStop(thread, next);
      thread.postMessage({ kind: "render", task: next.task } satisfies ToThread);
    }
  }

  function listenForStop(thread: Worker, queued: QueuedTask): void {
    const stop = (): void => thread.postMessage({ kind: "stop" } satisfies ToThread);
    queued.signal.addEventListener("abort", stop);
    queued.ended = () => queued.signal.removeEventListener("abort", stop);
  }

  function stopTask(thread: Worker, queued: QueuedTask): Promise<void> {
    return new Promise((resolve) => {
      const { ended } = queued;
      queued.ended = () => {
        ended();
        resolve();
      };
      thread.postMessage({ kind: "stop" } satisfies ToThread);
    });
  }

  for (let index = 0; index < size; index++) idle.push(openThread());

  return {
    render: (task, onFrame, signal) =>
      new Promise((resolve, reject) => {
        queue.push({ task, onFrame, signal, resolve, reject, ended: () => undefined });
        advance();
      }),
    async close() {
      queue.splice(0).forEach(({ reject }) => reject(new Error("The render was stopped.")));
      // Told to stop first, so that no decoder or encoder of a thread outlives it.
      const stopping = [...busy].map(([thread, queued]) => stopTask(thread, queued));
      await Promise.race([Promise.all(stopping), new Promise((resolve) => setTimeout(resolve, STOP_WITHIN_MS))]);
      await Promise.all([...threads].map((thread) => thread.terminate()));
    },
  };
}

/** The task with most pixels to paint: the long ones first, so that no thread is left alone with one at the end. */
function takeLargest(queue: QueuedTask[]): QueuedTask | undefined {
  const work = ({ task }: QueuedTask): number => (task.to - task.from) * task.width * task.height;
  const largest = queue.reduce<number>(
    (best, queued, index) => (work(queued) > work(queue[best] ?? queued) ? index : best),
    0,
  );
  return queue.splice(largest, 1)[0];
}
