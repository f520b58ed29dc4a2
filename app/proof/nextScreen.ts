/** Where no screen turns, as behind another tab, nobody waits longer than that. */
const MOST_MS = 50;

/**
 * Resolves when what was painted in this worker has gone to the screen: a canvas hands its picture over at the screen's next
 * turn, and only where the worker is not busy then.
 */
export const nextScreen = (): Promise<void> =>
  new Promise((resolve) => {
    const late = setTimeout(resolve, MOST_MS);
    requestAnimationFrame(() => {
      clearTimeout(late);
      // The picture is handed over after this turn's callbacks.
      setTimeout(resolve);
    });
  });
