import { useInBrowser } from "../components/useInBrowser";
import { type Proofs, proofs } from "../proof/proofs";

/** The worker that paints previews; null until the page runs in a browser. */
export const usePreviews = (): Proofs | null => (useInBrowser() ? proofs() : null);
