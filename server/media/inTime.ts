/** A program that neither takes nor gives anything for so long does not come back, however slow its machine is. */
export const HANGS_AFTER_MS = 90_000;

/**
 * What is waited for, if it comes in time.
 *
 * @param late called when it does not: stops what hangs, and gives the error to throw
 */
export async function inTime<Value>(wanted: Promise<Value>, ms: number, late: () => Error): Promise<Value> {
  let timer: NodeJS.Timeout | undefined;
  const over = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(late()), ms);
  });
  try {
    return await Promise.race([wanted, over]);
  } finally {
    clearTimeout(timer);
  }
}
