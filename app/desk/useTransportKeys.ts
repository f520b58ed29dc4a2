import { useEffect } from "react";
import { tinykeys } from "tinykeys";
import { type ProofEngine } from "../proof/proofEngine";

/** A second in frames: how far an arrow goes with Shift. */
export const FRAMES_A_SECOND = 30;
/** What needs Space and the arrows for itself. */
const OWN_KEYS = "input, textarea, select, button, [role=slider], [role=dialog], [role=listbox]";

/** Space plays and pauses, arrows go by a frame, with Shift by a second. */
export function useTransportKeys(engine: ProofEngine | null): void {
  useEffect(() => {
    const unlessTaken = (work: () => void) => (event: KeyboardEvent) => {
      if (event.target instanceof HTMLElement && event.target.closest(OWN_KEYS)) return;
      event.preventDefault();
      work();
    };
    const step = (frames: number) => unlessTaken(() => engine?.step(frames));
    return tinykeys(window, {
      Space: unlessTaken(() => togglePlaying(engine)),
      ArrowLeft: step(-1),
      ArrowRight: step(1),
      "Shift+ArrowLeft": step(-FRAMES_A_SECOND),
      "Shift+ArrowRight": step(FRAMES_A_SECOND),
    });
  }, [engine]);
}

export function togglePlaying(engine: ProofEngine | null): void {
  if (engine?.state().playing) engine.pause();
  else engine?.play();
}
