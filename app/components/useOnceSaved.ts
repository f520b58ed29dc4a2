import { useEffect, useEffectEvent } from "react";

/** Does something once when a save has come back well, however often the page is drawn meanwhile. */
export function useOnceSaved(saved: boolean, act: () => void): void {
  const actNow = useEffectEvent(act);
  useEffect(() => {
    if (saved) actNow();
  }, [saved]);
}
