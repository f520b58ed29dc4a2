import { type ChangeEvent } from "react";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedScene } from "../../core/document/resolve";
import { canSplit, splitScene } from "../../core/pace/splitScene";
import { type SceneSpan } from "../../core/time/timeline";
import { useProofState } from "../desk/useProof";
import { type ProofEngine } from "../proof/proofEngine";

/** What is done with a scene where the promotion stands: it is split, or played again and again. */
export function SceneCuts({
  document,
  scene,
  next,
  span,
  engine,
  disabled,
  onEdit,
}: {
  document: Promotion;
  scene: ResolvedScene;
  /** The one that comes after it. */
  next: ResolvedScene | undefined;
  span: SceneSpan;
  engine: ProofEngine | null;
  disabled: boolean;
  onEdit: (edit: Edit) => void;
}) {
  const time = useProofState(engine, (state) => (state.playing ? null : state.time));
  const repeated = useProofState(engine, (state) => state.repeated);
  const isRepeated = repeated?.from === span.start && repeated.to === span.end;
  const passed = time !== null && time > span.start && time < span.end ? time - span.start : null;
  const isSplittable = passed !== null && canSplit(document, { scene, next }, passed);
  // Made when it is asked for: while somebody looks for the place, time moves with every step.
  function split(): void {
    const edit = passed === null ? null : splitScene(document, { scene, next }, passed);
    if (edit) onEdit(edit);
  }
  function repeat({ target: { checked } }: ChangeEvent<HTMLInputElement>): void {
    engine?.repeat(checked ? { from: span.start, to: span.end } : null);
    if (checked) engine?.play();
  }
  return (
    <div className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 text-[13px]">
      <button
        type="button"
        disabled={disabled || !isSplittable}
        onClick={split}
        title="Makes two scenes of this one at the time that is shown"
        className="min-h-6 underline hover:text-accent disabled:text-soft disabled:no-underline"
      >
        Split the scene here
      </button>
      <label className="flex min-h-6 items-center gap-2">
        <input type="checkbox" className="accent-accent" checked={isRepeated} onChange={repeat} />
        Play it over and over
      </label>
    </div>
  );
}
