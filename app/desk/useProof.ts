import { proofs } from "../proof/proofs";
import { type ProofMoment } from "./shownSlots";
import { useState, useSyncExternalStore } from "react";
import { NOTHING_SHOWN, type ProofEngine, type ProofState, openProofEngine } from "../proof/proofEngine";

/** Opens an engine while a page listens, and closes it with the page. */
function engineHolder(of: string | undefined) {
  let engine: ProofEngine | null = null;
  return {
    subscribe: (): (() => void) => {
      const opened = (engine = openProofEngine(proofs(), of));
      return () => {
        opened.close();
        engine = null;
      };
    },
    current: (): ProofEngine | null => engine,
  };
}

/** The proof engine of a page; null until the page runs in a browser. @param of what it shows, by its name */
export function useProofEngine(of?: string): ProofEngine | null {
  const [{ subscribe, current }] = useState(() => engineHolder(of));
  return useSyncExternalStore(subscribe, current, () => null);
}

/** A part of what the engine says, re-rendered when that part changes. `pick` must give the same value for the same state. */
export function useProofState<Value>(engine: ProofEngine | null, pick: (state: ProofState) => Value): Value {
  return useSyncExternalStore(
    (listener) => engine?.subscribe(listener) ?? (() => undefined),
    () => pick(engine?.state() ?? NOTHING_SHOWN),
    () => pick(NOTHING_SHOWN),
  );
}

/** While it plays, what lies over a proof follows it so often, in milliseconds. */
const FOLLOWS_EVERY_MS = 100;

/** What the engine shows now, for what lies over its proofs. */
export function useMoment(engine: ProofEngine | null): ProofMoment {
  const prepared = useProofState(engine, (state) => state.prepared);
  const time = useProofState(engine, (state) =>
    state.playing ? Math.floor(state.time / FOLLOWS_EVERY_MS) * FOLLOWS_EVERY_MS : state.time,
  );
  return { prepared, time };
}
