import { useInBrowser } from "./useInBrowser";

/**
 * Those of a long list that are drawn: the first ones while the server draws the page, which costs it little that way and
 * is all that anybody sees until the page is at work; in the browser all of them.
 */
export function useDrawnFirst<Item>(items: readonly Item[], first: number): readonly Item[] {
  return useInBrowser() ? items : items.slice(0, first);
}
