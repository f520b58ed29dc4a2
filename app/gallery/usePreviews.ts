import { useSyncExternalStore } from "react";
import { type Proofs, proofs } from "../proof/proofs";

const never = (): (() => void) => () => undefined;

/** The worker that paints previews; null until the page runs in a browser. */
export const usePreviews = (): Proofs | null => useSyncExternalStore(never, proofs, () => null);
