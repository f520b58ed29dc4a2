import { useLive } from "../components/useLive";
import { type Proofs, proofs } from "../proof/proofs";

/** The worker that paints previews; null until the page runs in a browser. */
export const usePreviews = (): Proofs | null => (useLive() ? proofs() : null);
