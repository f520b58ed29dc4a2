import { useEffect, useRef } from "react";

/** Does something once when a save has come back well, however often the page is drawn meanwhile. */
export function useOnceSaved(saved: boolean, act: () => void): void {
  const latest = useRef(act);
  latest.current = act;
  useEffect(() => {
    if (saved) latest.current();
  }, [saved]);
}
