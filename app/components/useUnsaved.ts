import { useCallback, useEffect, useState } from "react";
import { useBlocker } from "react-router";

const WORDS = "What you changed here is not saved. Leave it?";

/** Asks before a page is left with something unsaved: by a link, by closing it, or by loading it anew. */
export function useAskBeforeLeaving(isUnsaved: boolean): void {
  const blocker = useBlocker(
    useCallback(
      ({
        currentLocation,
        nextLocation,
      }: {
        currentLocation: { pathname: string };
        nextLocation: { pathname: string };
      }) => isUnsaved && currentLocation.pathname !== nextLocation.pathname,
      [isUnsaved],
    ),
  );
  useEffect(() => {
    if (blocker.state !== "blocked") return;
    if (confirm(WORDS)) blocker.proceed();
    else blocker.reset();
  }, [blocker]);
  useEffect(() => {
    if (!isUnsaved) return undefined;
    const ask = (event: BeforeUnloadEvent): void => event.preventDefault();
    addEventListener("beforeunload", ask);
    return () => removeEventListener("beforeunload", ask);
  }, [isUnsaved]);
}

/** A panel that is filled in and saved as a whole. */
export interface Unsaved {
  /** To be called when something is typed or chosen in it. */
  readonly touch: () => void;
  /** Closes it, after asking where something would be lost. */
  readonly close: () => void;
}

/** Asks before a panel is closed, or its page left, with something in it unsaved. @param onClose closes it */
export function useUnsaved(onClose: () => void): Unsaved {
  const [isTouched, setTouched] = useState(false);
  useAskBeforeLeaving(isTouched);
  return {
    touch: () => setTouched(true),
    close: () => {
      if (!isTouched || confirm(WORDS)) onClose();
    },
  };
}
