/** Where no screen turns, as behind another tab, nobody waits longer than that. */
const MOST_MS = 50;

/** Resolves after the screen's next turn, so that the page has shown what it was given before it is given more. */
export const nextScreen = (): Promise<void> =>
  new Promise((resolve) => {
    const late = setTimeout(resolve, MOST_MS);
    requestAnimationFrame(() => {
      clearTimeout(late);
      // The page's callbacks of this turn come at the same time.
      setTimeout(resolve);
    });
  });
