import { targetOf } from "../../core/document/adjustments";
import { sceneDesign, sourced } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust, giveBack } from "../../core/document/edits";
import { type TemplatesByRef } from "../../core/document/facts";
import { type Promotion, type PromotionScene } from "../../core/document/promotion";
import { type MediaSlot, type SlotKey } from "../../core/document/sceneTemplate";
import { LevelField } from "./LevelField";
import { usualWords } from "./usualWords";

/** How loud the clip in a slot is: as clips usually are, or as somebody set it. */
export function ClipSound({
  document,
  templates,
  scene,
  slot,
  id,
  usual,
  disabled,
  onEdit,
}: {
  document: Promotion;
  templates: TemplatesByRef;
  scene: PromotionScene;
  slot: MediaSlot;
  id: SlotKey;
  /** How loud clips are where nobody said so. */
  usual: number;
  disabled: boolean;
  onEdit: (edit: Edit) => void;
}) {
  const target = targetOf(id);
  const at = { ...sceneDesign(document, templates, scene), target, slot, format: null };
  const { value, layer } = sourced(document, "clipLevel", at);
  const back = giveBack(document, "clipLevel", target);
  const set = (level: number): void => onEdit(adjust("clipLevel", level, { target }));
  const reset = (): void => {
    if (back) onEdit(back);
  };
  return (
    <div className="flex flex-wrap items-center gap-x-1.5 text-[12.5px] text-soft">
      <LevelField
        label={`Sound of ${slot.label.toLowerCase()}`}
        level={value ?? usual}
        usual={usual}
        disabled={disabled}
        onLevel={set}
      />
      {back ? (
        <button type="button" className="underline hover:text-ink" onClick={reset} disabled={disabled}>
          Reset
        </button>
      ) : (
        <span>{layer === "@all" ? "like all clips" : usualWords(usual)}</span>
      )}
    </div>
  );
}
