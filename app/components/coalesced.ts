/**
 * Makes one run of many wishes: while one is under way, however often it is wished for, it runs once more afterwards. So
 * what happened before the last wish is always seen by a run that began after it.
 * @param run must not be rejected
 */
export function coalesced(run: () => Promise<void>): () => void {
  let isRunning = false;
  let isWished = false;
  return () => {
    isWished = true;
    if (isRunning) return;
    isRunning = true;
    void (async () => {
      while (isWished) {
        isWished = false;
        await run();
      }
      isRunning = false;
    })();
  };
}
