import { useEffect } from "react";
import { type Facts } from "../../core/document/facts";
import { type FormatName } from "../../core/placement/formats";
import { ProofScreen } from "../desk/ProofScreen";
import { useFactsFor } from "../desk/useFactsFor";
import { useProofEngine, useProofState } from "../desk/useProof";
import { type ShownVersion, titleOf } from "../desk/versions";
import { type ProofEngine } from "../proof/proofEngine";

/** A version that was kept, in a format, in step with the promotion as it is. */
export function VersionScreen({
  main,
  slug,
  format,
  version,
  facts,
}: {
  /** Shows the promotion as it is. */
  main: ProofEngine | null;
  slug: string;
  format: FormatName;
  version: ShownVersion;
  facts: Facts;
}) {
  const engine = useProofEngine();
  const time = useProofState(main, (state) => state.time);
  const own = useFactsFor(version.document, facts);
  useEffect(() => engine?.show(version.document, own), [engine, version, own]);
  const isReady = useProofState(engine, (state) => state.length > 0);
  useEffect(() => {
    // Before it is prepared there is no time to go to.
    if (isReady) engine?.seek(time);
  }, [engine, isReady, time]);
  return (
    <ProofScreen
      engine={engine}
      slug={`${slug}-revision-${version.revision}`}
      format={format}
      marked={null}
      onPick={pickNothing}
      caption={titleOf(version)}
    />
  );
}

/** What is kept is looked at, not changed. */
const pickNothing = (): void => undefined;
