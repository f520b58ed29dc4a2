import { type ComponentProps } from "react";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { CaptionPanel } from "./CaptionPanel";

/** The captions of a promotion, with the time that is looked at. While it plays, that is where it stood before. */
export function CaptionsBeside({
  engine,
  ...rest
}: { engine: ProofEngine | null } & Omit<ComponentProps<typeof CaptionPanel>, "time">) {
  const time = useProofState(engine, (state) => (state.playing ? 0 : state.time));
  return <CaptionPanel {...rest} time={time} />;
}
