/** What previews are still to show: the newest first, since that is what has just come into view. */
export interface ShowQueue {
  /** Puts a preview last in, for what it was waiting to show before. */
  readonly add: (name: string, show: () => Promise<void>) => void;
  readonly drop: (name: string) => void;
}

/** How many are made at once: one computes while another waits for its pictures. */
const AT_ONCE = 2;

export function openShowQueue(): ShowQueue {
  const waiting = new Map<string, () => Promise<void>>();
  let busy = 0;

  function next(): void {
    const [name, show] = [...waiting].at(-1) ?? [];
    if (busy >= AT_ONCE || name === undefined || show === undefined) return;
    waiting.delete(name);
    busy++;
    const done = (): void => {
      busy--;
      next();
    };
    show().then(done, done);
    next();
  }

  return {
    add(name, show) {
      waiting.delete(name);
      waiting.set(name, show);
      next();
    },
    drop: (name) => void waiting.delete(name),
  };
}
