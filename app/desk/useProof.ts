import { useEffect, useState, useSyncExternalStore } from "react";
import { type ProofEngine, type ProofState, openProofEngine } from "../proof/proofEngine";

const NOTHING: ProofState = { prepared: [], time: 0, length: 0, playing: false, problem: null };

/** The proof engine of a page; null until the page runs in a browser. */
export function useProofEngine(): ProofEngine | null {
  const [engine, setEngine] = useState<ProofEngine | null>(null);
  useEffect(() => {
    const opened = openProofEngine();
    setEngine(opened);
    return () => opened.close();
  }, []);
  return engine;
}

/** A part of what the engine says, re-rendered when that part changes. `pick` must give the same value for the same state. */
export function useProofState<Value>(engine: ProofEngine | null, pick: (state: ProofState) => Value): Value {
  return useSyncExternalStore(
    (listener) => engine?.subscribe(listener) ?? (() => undefined),
    () => pick(engine?.state() ?? NOTHING),
    () => pick(NOTHING),
  );
}
