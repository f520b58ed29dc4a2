import { startTransition, useEffect, useEffectEvent, useState } from "react";
import { flushSync } from "react-dom";
import { onlyWordsDiffer } from "../../core/document/onlyWordsDiffer";
import { type Promotion } from "../../core/document/promotion";
import { type ProofState } from "../proof/proofEngine";

/** What a desk is drawn from: a document, and what the proofs say of it. */
export interface Drawn extends Pick<ProofState, "prepared" | "findings"> {
  readonly document: Promotion;
}

/** Where the proofs say nothing for so many milliseconds, what was typed is drawn without. */
const WITHOUT_MS = 250;

/**
 * What a desk is drawn from now. A change reaches it at once; but what is typed only with what the proofs say of it, piece by
 * piece: neither the next key nor the proofs wait for the desk, and it is drawn once a key. The field that is typed in follows
 * the document by itself. Whoever turns to something else has all of it drawn before.
 */
export function useDrawn({ document, prepared, findings }: Drawn): Drawn {
  const [drawn, setDrawn] = useState<Drawn>({ document, prepared, findings });
  if (drawn.document !== document && !onlyWordsDiffer(drawn.document, document))
    setDrawn((before) => ({ ...before, document }));
  const draw = useEffectEvent((): void => {
    const now = { document, prepared, findings };
    setDrawn((before) => (isSame(before, now) ? before : now));
  });
  useEffect(() => startTransition(draw), [prepared, findings]);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(draw), WITHOUT_MS);
    return () => clearTimeout(timer);
  }, [document]);
  const catchUp = useEffectEvent((event: Event): void => {
    if (drawn.document !== document && !isTyping(event)) flushSync(draw);
  });
  useEffect(() => {
    const turned = (event: Event): void => catchUp(event);
    window.addEventListener("pointerdown", turned, { capture: true });
    window.addEventListener("keydown", turned, { capture: true });
    return () => {
      window.removeEventListener("pointerdown", turned, { capture: true });
      window.removeEventListener("keydown", turned, { capture: true });
    };
  }, []);
  return drawn;
}

const isSame = (one: Drawn, other: Drawn): boolean =>
  one.document === other.document && one.prepared === other.prepared && one.findings === other.findings;

/** Whether somebody goes on writing in a slot. */
const isTyping = ({ type, target }: Event): boolean =>
  type === "keydown" &&
  (target instanceof HTMLTextAreaElement || target instanceof HTMLInputElement) &&
  target.dataset["slot"] !== undefined;
