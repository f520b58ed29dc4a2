import { useEffect, useRef } from "react";
import { type ProofEngine } from "../proof/proofEngine";
import { useProofState } from "../desk/useProof";

/** Where the promotion is now, over all lanes. The page scrolls with it while it plays. */
export function Playhead({ engine, length }: { engine: ProofEngine | null; length: number }) {
  const line = useRef<HTMLDivElement>(null);
  const time = useProofState(engine, (state) => state.time);
  const playing = useProofState(engine, (state) => state.playing);
  useEffect(() => {
    if (playing) line.current?.scrollIntoView({ block: "nearest", inline: "nearest" });
  }, [playing, time]);
  return (
    <div aria-hidden className="pointer-events-none absolute inset-y-0 right-0 left-[84px] z-[2]">
      <div
        ref={line}
        className="absolute inset-y-0 w-0.5 bg-accent"
        style={{ left: `${length > 0 ? Math.min(100, (time / length) * 100) : 0}%` }}
      />
    </div>
  );
}
