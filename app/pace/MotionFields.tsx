import { type DesignedScene } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { setForAll } from "../../core/document/forAllEdits";
import { type Promotion } from "../../core/document/promotion";
import { EXITS, MOTIONS } from "../../core/motion/wordMotion";
import { ChoiceField } from "../workshop/ChoiceField";

/** How the words of a scene come and go, and whether those of every scene do. */
export function MotionFields({
  document,
  scene,
  onEdit,
}: {
  document: Promotion;
  scene: DesignedScene;
  onEdit: (edit: Edit) => void;
}) {
  const target = { scene: scene.id };
  const { goes } = scene;
  const { motion } = scene.style;
  const forAll = (): void =>
    onEdit(
      setForAll(
        document,
        [
          ["motion", motion],
          ["goes", goes],
        ],
        "Movement of words",
      ),
    );
  return (
    <div className="flex flex-col gap-2 border-t border-rule pt-2.5">
      <div className="grid grid-cols-2 gap-3">
        <ChoiceField
          label="Words come in"
          value={motion}
          choices={MOTIONS.map((one) => (one === "still" ? ([one, "at once"] as const) : one))}
          onChange={(choice) => onEdit(adjust("motion", choice, { target }))}
        />
        <ChoiceField
          label="and go"
          value={goes}
          choices={EXITS}
          onChange={(choice) => onEdit(adjust("goes", choice, { target }))}
        />
      </div>
      <button type="button" onClick={forAll} className="self-start text-[13px] underline hover:text-accent">
        So in every scene
      </button>
    </div>
  );
}
