import { useSyncExternalStore } from "react";

const never = (): (() => void) => () => undefined;

/**
 * Whether the page's code has taken over from the markup that the server sent. Fields that save as you type take nothing
 * before that: it would be lost.
 */
export const useLive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
