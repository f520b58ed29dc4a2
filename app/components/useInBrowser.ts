import { useSyncExternalStore } from "react";

const never = (): (() => void) => () => undefined;

/** Whether the page is at work in a browser: not while the server draws it, nor while the browser takes that over. */
export const useInBrowser = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
