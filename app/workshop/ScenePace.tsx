import { type ChangeEvent } from "react";
import { type Palette } from "../../core/color/palette";
import { type DesignedScene, sceneDesign } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { type TemplatesByRef } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedScene } from "../../core/document/resolve";
import { slotKey } from "../../core/document/sceneTemplate";
import { BehindWordsFields } from "../pace/BehindWordsFields";
import { JoinFields } from "../pace/JoinFields";
import { type CopiedLook, LookFields } from "../pace/LookFields";
import { MotionFields } from "../pace/MotionFields";

/** How a scene of a draft comes in, how its words move and its pictures look, until somebody who fills it says otherwise. */
export function ScenePace({
  document,
  templates,
  scene,
  index,
  shade,
  palette,
  copied,
  onEdit,
}: {
  /** The draft as a promotion in which what it sets is set. */
  document: Promotion;
  templates: TemplatesByRef;
  scene: ResolvedScene;
  /** Among the scenes, from 0. */
  index: number;
  /** What its words have been given to be read on their picture, 0 to 1. */
  shade: number;
  palette: Palette;
  copied: CopiedLook;
  onEdit: (edit: Edit) => void;
}) {
  const designed: DesignedScene = scene.template;
  const own = document.scenes[scene.id];
  const drop = ({ target: { checked } }: ChangeEvent<HTMLInputElement>): void =>
    onEdit(adjust("droppable", checked ? true : null, { target: { scene: scene.id } }));
  return (
    <div className="flex flex-col gap-3">
      {index > 0 && (
        <JoinFields
          document={document}
          scene={scene.id}
          join={designed.join}
          overlap={designed.overlap}
          goesOn={designed.goesOn}
          palette={palette}
          disabled={false}
          onEdit={onEdit}
        />
      )}
      <MotionFields document={document} scene={designed} onEdit={onEdit} />
      <BehindWordsFields document={document} scene={designed} found={shade} onEdit={onEdit} />
      <label className="flex min-h-6 items-center gap-2 border-t border-rule pt-2.5 text-[13px] text-soft">
        <input
          type="checkbox"
          className="accent-accent"
          checked={document.adjustments[scene.id]?.droppable === true}
          onChange={drop}
        />
        May be left out of shorter versions
      </label>
      {own &&
        designed.slots.flatMap((slot) => {
          const first = slot.kind === "media" ? scene.shots[slot.id]?.[0] : undefined;
          if (slot.kind !== "media" || !first) return [];
          return [
            <LookFields
              key={slot.id}
              document={document}
              design={sceneDesign(document, templates, own)}
              slot={slot}
              id={slotKey(scene, slot)}
              first={first}
              copied={copied}
              disabled={false}
              onEdit={onEdit}
            />,
          ];
        })}
    </div>
  );
}
