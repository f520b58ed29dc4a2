import { type ResolvedPromotion } from "../../core/document/resolve";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { type FollowedClip, type SlotIn, followedClip } from "./followedClip";

/** While it plays, the frame is read anew this often. */
const READS_MS = 200;

/** The clip that is in a slot at the moment on screen; null where a still is. */
export function useFollowedClip(
  engine: ProofEngine | null,
  promotion: ResolvedPromotion,
  shown: SlotIn,
): FollowedClip | null {
  const time = useProofState(engine, (now) => (now.playing ? Math.floor(now.time / READS_MS) * READS_MS : now.time));
  return followedClip(promotion, shown, time);
}
