import { useEffect } from "react";
import { useReload } from "./useReload";

const EVERY_MS = 3000;

/** Loads the page's data anew every few seconds, as long as something on it changes by itself. */
export function useReloadWhile(changes: boolean): void {
  const reload = useReload();
  useEffect(() => {
    if (!changes) return;
    const timer = setInterval(reload, EVERY_MS);
    return () => clearInterval(timer);
  }, [changes, reload]);
}
