import { useEffect, useEffectEvent } from "react";
import { tinykeys } from "tinykeys";

/** Ctrl or Cmd with Z takes back, with Shift and Z does again. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  const takeBack = useEffectEvent((event: KeyboardEvent) => {
    event.preventDefault();
    undo();
  });
  const doAgain = useEffectEvent((event: KeyboardEvent) => {
    event.preventDefault();
    redo();
  });
  useEffect(() => tinykeys(window, { "$mod+KeyZ": takeBack, "$mod+Shift+KeyZ": doAgain }), []);
}
