import { type ChangeEvent } from "react";
import { type DesignedScene } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { setForAll } from "../../core/document/forAllEdits";
import { type Promotion } from "../../core/document/promotion";
import { WORD_EASES } from "../../core/motion/easing";
import { PIECES } from "../../core/motion/movement";
import { MOVEMENT_STYLES, MOVEMENT_STYLE_NAMES, type MovementStyleName } from "../../core/motion/styles";
import { PICTURE_ENTRANCES, PICTURE_EXITS } from "../../core/motion/pictureMotion";
import { WHILES } from "../../core/motion/whileShown";
import { EXITS, MOTIONS } from "../../core/motion/wordMotion";
import { millis } from "../../core/units";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";
import { TimeField } from "./TimeField";

const { least: LEAST, most: MOST, step: STEP } = FIELDS.strength.field;
const { least: LEAST_DEPTH, most: MOST_DEPTH, step: DEPTH_STEP } = FIELDS.depth.field;
const OWN = "own";

/** How the words of a scene come and go and its pictures move, and whether those of every scene do. */
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
  const { exit, moves, pieces, strength, pause, ease } = scene.movement;
  const { motion, zoom } = scene.style;
  const { pictures } = scene;
  const setZoom = ({ target: { checked } }: ChangeEvent<HTMLInputElement>): void =>
    onEdit(adjust("zoom", checked, { target }));
  const forAll = (): void =>
    onEdit(
      setForAll(
        document,
        [
          ["motion", motion],
          ["goes", exit],
          ["wordsMove", moves],
          ["pieces", pieces],
          ["strength", strength],
          ["pause", millis(pause)],
          ["ease", ease],
          ["zoom", zoom],
          ["depth", scene.depth],
          ["picturesCome", pictures.comes],
          ["picturesGo", pictures.goes],
          ["picturesMove", pictures.moves],
        ],
        "Movement",
      ),
    );
  return (
    <div className="flex flex-col gap-2 border-t border-rule pt-2.5">
      <div className="grid grid-cols-2 items-end gap-3">
        <ChoiceField
          label="Words come in"
          value={motion}
          choices={MOTIONS.map((one) => (one === "still" ? ([one, "at once"] as const) : one))}
          onChange={(choice) => onEdit(adjust("motion", choice, { target }))}
        />
        <ChoiceField
          label="and go"
          value={exit}
          choices={EXITS}
          onChange={(choice) => onEdit(adjust("goes", choice, { target }))}
        />
        <ChoiceField
          label="and meanwhile they"
          value={moves}
          choices={WHILES.map((one) => (one === "still" ? ([one, "stand still"] as const) : one))}
          onChange={(choice) => onEdit(adjust("wordsMove", choice, { target }))}
        />
        <ChoiceField
          label="They come"
          value={pieces}
          choices={PIECES}
          onChange={(choice) => onEdit(adjust("pieces", choice, { target }))}
        />
        <ChoiceField
          label="in a way that is"
          value={ease}
          choices={WORD_EASES}
          onChange={(choice) => onEdit(adjust("ease", choice, { target }))}
        />
        <NumberField
          label="How far, times the usual"
          least={LEAST}
          most={MOST}
          step={STEP}
          value={strength}
          onChange={(far) => onEdit(adjust("strength", far, { target }))}
        />
        <TimeField
          label="They wait for"
          value={pause}
          onTime={(ms) => onEdit(adjust("pause", millis(Math.min(10_000, Math.max(0, ms))), { target }))}
        />
        <ChoiceField
          label="Pictures come in"
          value={pictures.comes}
          choices={PICTURE_ENTRANCES}
          onChange={(choice) => onEdit(adjust("picturesCome", choice, { target }))}
        />
        <ChoiceField
          label="they go"
          value={pictures.goes}
          choices={PICTURE_EXITS}
          onChange={(choice) => onEdit(adjust("picturesGo", choice, { target }))}
        />
        <ChoiceField
          label="and meanwhile"
          value={pictures.moves}
          choices={WHILES.map((one) => (one === "still" ? ([one, "rest"] as const) : one))}
          onChange={(choice) => onEdit(adjust("picturesMove", choice, { target }))}
        />
        <label className="flex min-h-6 items-center gap-2 pb-1.5 text-[13px] text-soft">
          <input type="checkbox" className="accent-accent" checked={zoom} onChange={setZoom} />
          stills zoom slowly
        </label>
        <NumberField
          label="Depth of cut-outs"
          least={LEAST_DEPTH}
          most={MOST_DEPTH}
          step={DEPTH_STEP}
          value={scene.depth}
          onChange={(depth) => onEdit(adjust("depth", depth, { target }))}
        />
      </div>
      <button type="button" onClick={forAll} className="self-start text-[13px] underline hover:text-accent">
        So in every scene
      </button>
    </div>
  );
}

/** How all of a promotion moves, by a set that goes together. */
export function MovementStyleField({ document, onEdit }: { document: Promotion; onEdit: (edit: Edit) => void }) {
  const all = document.adjustments["@all"];
  const now = MOVEMENT_STYLE_NAMES.find((name) => {
    const style = MOVEMENT_STYLES[name];
    return all?.motion === style.motion && all.pieces === style.pieces && all.transition === style.transition;
  });
  function choose(value: MovementStyleName | typeof OWN): void {
    if (value === OWN) return;
    const { motion, goes, pieces, strength, ease, zoom, depth, transition } = MOVEMENT_STYLES[value];
    onEdit(
      setForAll(
        document,
        [
          ["motion", motion],
          ["goes", goes],
          ["pieces", pieces],
          ["strength", strength],
          ["ease", ease],
          ["zoom", zoom],
          ["depth", depth],
          ["transition", transition],
        ],
        "Movement style",
      ),
    );
  }
  return (
    <ChoiceField
      label="It all moves"
      value={now ?? OWN}
      choices={[[OWN, "as each scene says"], ...MOVEMENT_STYLE_NAMES]}
      onChange={choose}
    />
  );
}
