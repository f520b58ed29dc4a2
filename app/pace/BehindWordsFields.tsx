import { type DesignedScene } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust, giveAllBack } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { type Promotion } from "../../core/document/promotion";
import { NumberField } from "../workshop/NumberField";

const SHADE = FIELDS.shade.field;
const BLUR = FIELDS.blur.field;

/** What is between the words of a scene and their picture: as much as they need to be read, or as somebody says. */
export function BehindWordsFields({
  document,
  scene,
  found,
  onEdit,
}: {
  document: Promotion;
  scene: DesignedScene;
  /** The shade that its words have been given, 0 to 1. */
  found: number;
  onEdit: (edit: Edit) => void;
}) {
  const target = { scene: scene.id };
  const { shade, blur } = scene.behindWords;
  const back = giveAllBack(document, ["shade", "blur"], { target, label: "Behind words" });
  const reset = (): void => {
    if (back) onEdit(back);
  };
  return (
    <div className="flex flex-col gap-1.5 border-t border-rule pt-2.5">
      <div className="grid grid-cols-2 items-end gap-3">
        <NumberField
          label="Shade behind words, %"
          least={SHADE.least * 100}
          most={SHADE.most * 100}
          step={SHADE.step * 100}
          value={Math.round((shade ?? found) * 100)}
          onChange={(percent) => onEdit(adjust("shade", percent / 100, { target }))}
        />
        <NumberField
          label="Blur behind them"
          least={BLUR.least}
          most={BLUR.most}
          value={blur ?? BLUR.initial}
          onChange={(units) => onEdit(adjust("blur", units, { target }))}
        />
      </div>
      <p className="flex items-baseline justify-between text-[12.5px] text-soft">
        {shade === undefined ? "As much shade as words need to be read" : "At least so much shade"}
        {back && (
          <button type="button" onClick={reset} className="underline hover:text-ink">
            Reset
          </button>
        )}
      </p>
    </div>
  );
}
