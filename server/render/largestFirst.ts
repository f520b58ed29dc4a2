/** Runs so many tasks at once. */
export interface Gate {
  /**
   * Runs a task when one of the places is free. Of those that wait, the one with most work goes first, so that no place
   * is left alone with a long one at the end. A task that still waits when `signal` is aborted is never begun: it rejects
   * with the signal's reason.
   */
  run<Result>(work: number, signal: AbortSignal, task: () => Promise<Result>): Promise<Result>;
}

/** @param places how many tasks run at once */
export function largestFirst(places: number): Gate {
  const waiting: { readonly work: number; readonly begin: () => void }[] = [];
  let running = 0;

  function beginNext(): void {
    if (running >= places) return;
    const next = waiting.reduce<(typeof waiting)[number] | null>(
      (most, one) => (most && most.work >= one.work ? most : one),
      null,
    );
    if (!next) return;
    waiting.splice(waiting.indexOf(next), 1);
    running++;
    next.begin();
  }

  const turn = (work: number, signal: AbortSignal): Promise<void> =>
    new Promise((resolve, reject) => {
      const giveUp = (): void => {
        waiting.splice(waiting.indexOf(waiter), 1);
        reject(signal.reason instanceof Error ? signal.reason : new Error("This was stopped before it began."));
      };
      const waiter = {
        work,
        begin: () => {
          signal.removeEventListener("abort", giveUp);
          resolve();
        },
      };
      waiting.push(waiter);
      signal.addEventListener("abort", giveUp, { once: true });
      beginNext();
    });

  return {
    async run(work, signal, task) {
      signal.throwIfAborted();
      await turn(work, signal);
      try {
        return await task();
      } finally {
        running--;
        beginNext();
      }
    },
  };
}
