import { keyIn, keysOf } from "../../core/records";
import { type ChangeEvent } from "react";
import { ARRANGEMENTS, ARRANGEMENT_NAMES, type Arrangement, newArrangement } from "../../core/document/arrangements";
import { type ColorRole, type Palette } from "../../core/color/palette";
import { type SceneAllows, type SceneTemplate } from "../../core/document/sceneTemplate";
import { millis } from "../../core/units";
import { ColorSwatches } from "../components/ColorSwatches";
import { fieldLook } from "../components/fieldLook";
import { ArrangementParameters } from "./ArrangementParameters";
import { CheckField } from "./CheckField";
import { NumberField } from "./NumberField";
import { TextField } from "./TextField";
import { withArrangement, withLength } from "./draftChanges";

type ChangeScene = (change: (scene: SceneTemplate) => SceneTemplate) => void;

const ALLOWS = { arrangement: "arrangement", color: "ground", timing: "length", remove: "presence" } as const;
const ALLOWED = keysOf(ALLOWS);
const LONGEST_TRANSITION_SECONDS = 3;

/** A scene's own fields: name, times, ground, logo, arrangement with its parameters, and what a filler may change of it. */
export function SceneForm({
  scene,
  palette,
  onChange,
}: {
  scene: SceneTemplate;
  palette: Palette;
  onChange: ChangeScene;
}) {
  const set = (fields: Partial<SceneTemplate>): void => {
    onChange((before) => ({ ...before, ...fields }));
  };
  const rename = (name: string): void => {
    set({ name });
  };
  const setLength = (seconds: number): void => {
    onChange((before) => withLength(before, millis(seconds * 1000)));
  };
  const setOverlap = (seconds: number): void => {
    set({ overlap: millis(seconds * 1000) });
  };
  const setGround = (ground: ColorRole): void => {
    set({ ground });
  };
  const showLogo = (logo: boolean): void => {
    set({ logo });
  };
  return (
    <div className="grid grid-cols-2 gap-x-4 gap-y-3 text-[14px]">
      <TextField label="Name of the scene" required most={40} value={scene.name} onChange={rename} />
      <ArrangementFields arrangement={scene.arrangement} onChange={onChange} />
      <NumberField
        label="Length in seconds"
        least={0.5}
        most={60}
        step={0.1}
        value={scene.length / 1000}
        onChange={setLength}
      />
      <NumberField
        label="Transition in, seconds"
        least={0}
        most={Math.min(LONGEST_TRANSITION_SECONDS, scene.length / 2000)}
        step={0.1}
        value={scene.overlap / 1000}
        onChange={setOverlap}
      />
      <fieldset>
        <legend className="mb-1 text-[13px] text-soft">Ground</legend>
        <ColorSwatches label="Ground" palette={palette} chosen={scene.ground} onChoose={setGround} />
      </fieldset>
      <CheckField label="Show the logo" checked={scene.logo} onChange={showLogo} className="mt-5 gap-2" />
      <AllowedFields allows={scene.allows} onChange={onChange} />
    </div>
  );
}

function ArrangementFields({ arrangement, onChange }: { arrangement: Arrangement; onChange: ChangeScene }) {
  const choose = (event: ChangeEvent<HTMLSelectElement>): void => {
    const name = keyIn(ARRANGEMENTS, event.target.value);
    if (name) onChange((before) => withArrangement(before, newArrangement(name)));
  };
  const set = (changed: Arrangement): void => {
    onChange((before) => withArrangement(before, changed));
  };
  return (
    <>
      <label className="text-[13px] text-soft">
        Arrangement
        <select value={arrangement.name} onChange={choose} className={`${fieldLook} mt-1`}>
          {ARRANGEMENT_NAMES.map((name) => (
            <option key={name} value={name}>
              {ARRANGEMENTS[name].title}
            </option>
          ))}
        </select>
      </label>
      <p className="col-span-2 -mt-1 text-[12.5px] text-soft">{ARRANGEMENTS[arrangement.name].about}</p>
      <ArrangementParameters arrangement={arrangement} onSet={set} />
    </>
  );
}

function AllowedFields({ allows, onChange }: { allows: SceneAllows; onChange: ChangeScene }) {
  return (
    <fieldset className="col-span-2 flex flex-wrap items-center gap-x-4 border-t border-rule pt-2">
      <legend className="float-left mr-4 text-[13px] text-soft">A filler may change its</legend>
      {ALLOWED.map((what) => (
        <AllowedField key={what} what={what} allowed={allows[what]} onChange={onChange} />
      ))}
    </fieldset>
  );
}

function AllowedField({
  what,
  allowed,
  onChange,
}: {
  what: keyof SceneAllows;
  allowed: boolean;
  onChange: ChangeScene;
}) {
  const allow = (value: boolean): void => {
    onChange((before) => ({ ...before, allows: { ...before.allows, [what]: value } }));
  };
  return <CheckField label={ALLOWS[what]} checked={allowed} onChange={allow} className="min-h-7 gap-1.5" />;
}
