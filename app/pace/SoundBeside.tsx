import { type ComponentProps } from "react";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";
import { SoundPanel } from "./SoundPanel";

/** The sounds of a promotion, with the time that is looked at. While it plays, that is where it stood before. */
export function SoundBeside({
  engine,
  ...rest
}: { engine: ProofEngine | null } & Omit<ComponentProps<typeof SoundPanel>, "time">) {
  const time = useProofState(engine, (state) => (state.playing ? 0 : state.time));
  return <SoundPanel {...rest} engine={engine} time={time} />;
}
