import {
  ABOUT_ARRANGEMENTS,
  ALIGNS,
  ARRANGEMENT_NAMES,
  BACKINGS,
  BAR_FILLS,
  NEW_ARRANGEMENTS,
  STACK_WAYS,
  WIPE_WAYS,
  type Arrangement,
  type ArrangementName,
} from "../../core/document/arrangements";
import { type Palette } from "../../core/color/palette";
import { ANCHORS } from "../../core/geometry/column";
import { type SceneAllows, type SceneTemplate } from "../../core/document/template";
import { millis } from "../../core/units";
import { ColorSwatches } from "../components/ColorSwatches";
import { fieldLook } from "../desk/DeckFields";
import { NumberField } from "./NumberField";
import { withArrangement, withLength } from "./draftChanges";

/** A scene's own fields: name, times, ground, logo, arrangement with its parameters, and what a filler may change of it. */
export function SceneForm({
  scene,
  palette,
  onChange,
}: {
  scene: SceneTemplate;
  palette: Palette;
  onChange: (change: (scene: SceneTemplate) => SceneTemplate) => void;
}) {
  const { arrangement } = scene;
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-3 text-[14px]">
      <label className="text-[13px] text-soft">
        Name of the scene
        <input
          value={scene.name}
          maxLength={40}
          onChange={(event) => onChange((before) => ({ ...before, name: event.target.value || " " }))}
          className={`${fieldLook} mt-1`}
        />
      </label>
      <label className="text-[13px] text-soft">
        Arrangement
        <select
          value={arrangement.name}
          onChange={(event) =>
            onChange((before) => withArrangement(before, NEW_ARRANGEMENTS[event.target.value as ArrangementName]))
          }
          className={`${fieldLook} mt-1`}
        >
          {ARRANGEMENT_NAMES.map((name) => (
            <option key={name} value={name}>
              {ABOUT_ARRANGEMENTS[name].title}
            </option>
          ))}
        </select>
      </label>
      <p className="col-span-2 -mt-1 text-[12.5px] text-soft">{ABOUT_ARRANGEMENTS[arrangement.name].about}</p>
      {Object.entries(arrangement)
        .filter(([key]) => key !== "name")
        .map(([key, value]) => (
          <Parameter
            key={key}
            arrangement={arrangement}
            name={key}
            value={value as string | number | boolean}
            onChange={(to) => onChange((before) => withArrangement(before, { ...arrangement, [key]: to }))}
          />
        ))}
      <NumberField
        label="Length in seconds"
        least={0.5}
        most={60}
        step={0.1}
        value={scene.length / 1000}
        onChange={(seconds) => onChange((before) => withLength(before, millis(seconds * 1000)))}
      />
      <label className="text-[13px] text-soft">
        Transition in, seconds
        <input
          type="number"
          min={0}
          max={3}
          step={0.1}
          value={scene.overlap / 1000}
          onChange={(event) =>
            event.target.valueAsNumber >= 0 &&
            event.target.valueAsNumber <= Math.min(3, scene.length / 2000) &&
            onChange((before) => ({ ...before, overlap: millis(event.target.valueAsNumber * 1000) }))
          }
          className={`${fieldLook} mt-1 figures`}
        />
      </label>
      <fieldset>
        <legend className="mb-1 text-[13px] text-soft">Ground</legend>
        <ColorSwatches
          label="Ground"
          palette={palette}
          chosen={scene.ground}
          onChoose={(role) => onChange((before) => ({ ...before, ground: role }))}
        />
      </fieldset>
      <label className="mt-5 flex items-center gap-2">
        <input
          type="checkbox"
          className="h-4 w-4 accent-accent"
          checked={scene.logo}
          onChange={(event) => onChange((before) => ({ ...before, logo: event.target.checked }))}
        />{" "}
        Show the logo
      </label>
      <fieldset className="col-span-2 flex flex-wrap items-center gap-x-4 border-t border-rule pt-2">
        <legend className="float-left mr-4 text-[13px] text-soft">A filler may change its</legend>
        {(Object.keys(ALLOWS) as (keyof SceneAllows)[]).map((what) => (
          <label key={what} className="flex min-h-7 items-center gap-1.5">
            <input
              type="checkbox"
              className="h-4 w-4 accent-accent"
              checked={scene.allows[what]}
              onChange={(event) =>
                onChange((before) => ({ ...before, allows: { ...before.allows, [what]: event.target.checked } }))
              }
            />{" "}
            {ALLOWS[what]}
          </label>
        ))}
      </fieldset>
    </div>
  );
}

const ALLOWS: Readonly<Record<keyof SceneAllows, string>> = {
  arrangement: "arrangement",
  color: "ground",
  timing: "length",
  remove: "presence",
};

const LABELS: Readonly<Record<string, string>> = {
  words: "Words stand at the",
  backing: "Behind the words",
  share: "The picture's share",
  pictureFirst: "Picture first",
  besideInSquare: "Side by side in a square too",
  bars: "Bars",
  way: "Way",
  gap: "Gap in units",
  align: "Words",
  numbered: "Numbers",
  leaders: "Dotted lines",
  code: "The link as a code",
};

function choicesOf(arrangement: Arrangement, name: string): readonly string[] {
  if (name === "words") return ANCHORS;
  if (name === "backing") return BACKINGS;
  if (name === "bars") return BAR_FILLS;
  if (name === "align") return ALIGNS;
  return arrangement.name === "stack" ? STACK_WAYS : WIPE_WAYS;
}

function Parameter({
  arrangement,
  name,
  value,
  onChange,
}: {
  arrangement: Arrangement;
  name: string;
  value: string | number | boolean;
  onChange: (to: string | number | boolean) => void;
}) {
  const label = LABELS[name] ?? name;
  if (typeof value === "boolean")
    return (
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="h-4 w-4 accent-accent"
          checked={value}
          onChange={(event) => onChange(event.target.checked)}
        />{" "}
        {label}
      </label>
    );
  if (typeof value === "number") {
    const [least, most, step] = name === "share" ? [0.34, 0.72, 0.02] : [0, 60, 1];
    return <NumberField label={label} least={least} most={most} step={step} value={value} onChange={onChange} />;
  }
  return (
    <label className="text-[13px] text-soft">
      {label}
      <select value={value} onChange={(event) => onChange(event.target.value)} className={`${fieldLook} mt-1`}>
        {choicesOf(arrangement, name).map((choice) => (
          <option key={choice}>{choice}</option>
        ))}
      </select>
    </label>
  );
}
