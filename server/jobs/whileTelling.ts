import { log } from "../log";

const TELL_EVERY_MS = 250;

/**
 * Does work, and tells again and again how far it is. Where that fails once, the next time may not. When the work has ended,
 * well or not, nothing is told any more: what is told next, how it ended, stays the last word.
 */
export async function whileTelling<T>(tell: () => Promise<void>, work: () => Promise<T>): Promise<T> {
  let isTelling = false;
  let told = Promise.resolve();
  const tellOnce = async (): Promise<void> => {
    isTelling = true;
    try {
      await tell();
    } catch (error) {
      log.warn({ error: String(error) }, "progress was not told");
    }
    isTelling = false;
  };
  const tick = (): void => {
    if (!isTelling) told = tellOnce();
  };
  const ticker = setInterval(tick, TELL_EVERY_MS);
  try {
    return await work();
  } finally {
    clearInterval(ticker);
    await told;
  }
}

/** Does work that says how far it is, 0…1, and tells that when it went on; otherwise as {@link whileTelling}. */
export function whileTellingProgress<T>(
  tell: (share: number) => Promise<void>,
  work: (onProgress: (share: number) => void) => Promise<T>,
): Promise<T> {
  let [share, toldShare] = [0, 0];
  const tellNews = async (): Promise<void> => {
    if (share === toldShare) return;
    toldShare = share;
    await tell(share);
  };
  return whileTelling(tellNews, () => work((now) => (share = now)));
}
