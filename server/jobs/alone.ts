/** Lets tasks run side by side, but one that is under suspicion alone: what breaks then was broken by it. */
export interface Room {
  run<Result>(alone: boolean, task: () => Promise<Result>): Promise<Result>;
}

export function openRoom(): Room {
  /** Settles when all that were let in before have ended. */
  let before: Promise<unknown> = Promise.resolve();
  /** Those that run since the last that was alone. */
  let sharing = new Set<Promise<unknown>>();

  return {
    run(alone, task) {
      const running = (alone ? Promise.all([before, ...sharing]) : before).then(task);
      const ended = running.catch(() => undefined);
      if (alone) [before, sharing] = [ended, new Set()];
      else {
        // The set of this time: what has ended is waited for no more.
        const own = sharing.add(ended);
        void ended.then(() => own.delete(ended));
      }
      return running;
    },
  };
}
