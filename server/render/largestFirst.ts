import { type TaskQueue, queueOptionsSymbol } from "piscina";

type QueuedTask = Parameters<TaskQueue["push"]>[0];

const workOf = (task: QueuedTask): number => {
  const options: unknown = task[queueOptionsSymbol];
  return typeof options === "object" && options !== null && "work" in options ? Number(options.work) : 0;
};

/** What a task carries so that `largestFirst` can tell its size. */
export const withWork = <Task extends object>(task: Task, work: number): Task => ({
  ...task,
  [queueOptionsSymbol]: { work },
});

/** A queue that gives out the task with most work first, so that no thread is left alone with a long one at the end. */
export function largestFirst(): TaskQueue {
  const waiting: QueuedTask[] = [];
  return {
    get size() {
      return waiting.length;
    },
    push(task) {
      const before = waiting.findIndex((queued) => workOf(queued) < workOf(task));
      waiting.splice(before < 0 ? waiting.length : before, 0, task);
    },
    shift: () => waiting.shift() ?? null,
    remove(task) {
      const at = waiting.indexOf(task);
      if (at >= 0) waiting.splice(at, 1);
    },
  };
}
