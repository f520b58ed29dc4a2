import { keysFor } from "../../core/document/adjustments";
import { type SceneDesign, sourced } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { giveBack } from "../../core/document/edits";
import { type DesignFieldId } from "../../core/document/fields";
import { type Promotion } from "../../core/document/promotion";
import { sourceInWords } from "../../core/document/sourceInWords";

/** Says where a scene's value comes from, and gives it back to what it would be else. */
export function FieldSource({
  document,
  id,
  scene,
  design,
  onEdit,
}: {
  document: Promotion;
  id: DesignFieldId;
  scene: string;
  /** What the templates have for the scene. */
  design: SceneDesign;
  onEdit: (edit: Edit) => void;
}) {
  const target = { scene };
  const { layer } = sourced(document, id, { ...design, target, format: null });
  const isSet = keysFor(document.adjustments, target).some((key) => document.adjustments[key]?.[id] !== undefined);
  const reset = (): void => {
    const edit = giveBack(document, id, target);
    if (edit) onEdit(edit);
  };
  return (
    <span className="flex items-baseline gap-2 text-[12px] text-soft">
      {sourceInWords(document, id, { target, layer })}
      {isSet && (
        <button type="button" className="underline hover:text-ink" onClick={reset}>
          Reset
        </button>
      )}
    </span>
  );
}
