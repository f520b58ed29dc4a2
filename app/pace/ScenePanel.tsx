import { type ChangeEvent } from "react";
import { type Palette } from "../../core/color/palette";
import { type DesignedScene, type SceneDesign } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { type Promotion } from "../../core/document/promotion";
import { type PacedScene } from "../../core/pace/pacedScenes";
import { FPS_30, frameCount } from "../../core/time/frames";
import { timecode } from "../../core/time/timecode";
import { FieldSource } from "../desk/FieldSource";
import { NumberField } from "../workshop/NumberField";
import { BehindWordsFields } from "./BehindWordsFields";
import { MotionFields } from "./MotionFields";
import { JoinFields } from "./JoinFields";
import { TimeField } from "./TimeField";

const { least: LEAST_GIVING, most: MOST_GIVING, step: GIVING_STEP } = FIELDS.gives.field;

/** How long a scene is, typed or as long as its words or its clip need it, and how it comes in over the one before. */
export function ScenePanel({
  document,
  design,
  designed,
  scene,
  index,
  shade,
  forVoice,
  palette,
  onLength,
  onEdit,
}: {
  document: Promotion;
  /** What the templates have for it, and what it is now. */
  design: SceneDesign;
  designed: DesignedScene;
  scene: PacedScene;
  /** Among the scenes that are shown, from 0. */
  index: number;
  /** What its words have been given to be read on their picture, 0 to 1. */
  shade: number;
  /** How long it has to be for those who begin to speak in it; null where nobody does. */
  forVoice: number | null;
  palette: Palette;
  /** @param length milliseconds */
  onLength: (length: number) => void;
  onEdit: (edit: Edit) => void;
}) {
  const target = { scene: scene.id };
  const drop = ({ target: { checked } }: ChangeEvent<HTMLInputElement>): void =>
    onEdit(adjust("droppable", checked ? true : null, { target }));
  const frames = frameCount(scene.length, FPS_30);
  return (
    <section aria-label={`Scene ${index + 1}`} className="flex flex-col gap-2.5">
      <h3 className="truncate text-[15px] font-semibold">
        {index + 1} · {scene.name}
      </h3>
      <fieldset disabled={scene.isLocked} className="flex flex-col gap-2.5">
        <div className="grid grid-cols-2 items-end gap-3">
          <TimeField
            label={`Length${scene.isLocked ? " (locked)" : ""}`}
            value={scene.length}
            disabled={scene.isLocked}
            onTime={onLength}
          />
          <p className="pb-1.5 figures text-[12.5px] leading-tight text-soft">
            {frames} frames
            <br />
            {timecode(frames, FPS_30)}
          </p>
        </div>
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1 text-[13px]">
          {scene.forWords !== null && (
            <FitTo words="As its words need" length={scene.forWords} now={scene.length} onLength={onLength} />
          )}
          {scene.forClips !== null && (
            <FitTo words="As its clip lasts" length={scene.forClips} now={scene.length} onLength={onLength} />
          )}
          {forVoice !== null && (
            <FitTo words="As its voice lasts" length={forVoice} now={scene.length} onLength={onLength} />
          )}
          <FieldSource document={document} id="length" scene={scene.id} design={design} onEdit={onEdit} />
        </div>
        <NumberField
          label="Gives way to a held length, against the others"
          least={LEAST_GIVING}
          most={MOST_GIVING}
          step={GIVING_STEP}
          value={scene.weight}
          onChange={(weight) => onEdit(adjust("gives", weight, { target }))}
          className="flex items-center justify-between gap-3 text-[13px] text-soft [&>input]:w-20"
        />
        <label className="flex min-h-6 items-center gap-2 text-[13px] text-soft">
          <input
            type="checkbox"
            className="accent-accent"
            checked={document.adjustments[scene.id]?.droppable === true}
            onChange={drop}
          />
          May be left out of shorter versions
        </label>
        <BehindWordsFields document={document} scene={designed} found={shade} onEdit={onEdit} />
        <MotionFields document={document} scene={designed} onEdit={onEdit} />
        {index > 0 && (
          <JoinFields
            document={document}
            scene={scene.id}
            join={designed.join}
            overlap={scene.overlap}
            goesOn={designed.goesOn}
            palette={palette}
            disabled={scene.isLocked}
            onEdit={onEdit}
          />
        )}
      </fieldset>
    </section>
  );
}

function FitTo({
  words,
  length,
  now,
  onLength,
}: {
  words: string;
  length: number;
  now: number;
  onLength: (length: number) => void;
}) {
  const fit = (): void => onLength(length);
  return (
    <button
      type="button"
      disabled={length === now}
      onClick={fit}
      className="underline hover:text-accent disabled:text-soft disabled:no-underline"
    >
      {words}: <span className="figures">{(length / 1000).toFixed(2)} s</span>
    </button>
  );
}
