/** Lets tasks run side by side, but one that is under suspicion alone: what breaks then was broken by it. */
export interface Room {
  run<Result>(alone: boolean, task: () => Promise<Result>): Promise<Result>;
}

export function openRoom(): Room {
  /** Settles when all that were let in before have ended. */
  let before: Promise<unknown> = Promise.resolve();
  /** Those that run since the last that was alone. */
  let sharing: Promise<unknown>[] = [];

  return {
    run(alone, task) {
      const running = (alone ? Promise.all([before, ...sharing]) : before).then(task);
      const ended = running.catch(() => undefined);
      if (alone) [before, sharing] = [ended, []];
      else sharing.push(ended);
      return running;
    },
  };
}
