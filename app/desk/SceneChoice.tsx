import { type ChangeEvent } from "react";
import { ARRANGEMENTS } from "../../core/document/arrangements";
import { type SceneTemplate } from "../../core/document/sceneTemplate";
import { type Template } from "../../core/document/template";

/** Which scenes of a template to put in, and where. */
export function SceneChoice({
  template,
  chosen,
  at,
  places,
  onChoose,
  onPlace,
}: {
  template: Template;
  /** Ids of the chosen scenes. */
  chosen: readonly string[];
  /** In front of which scene they go, counted from 0. */
  at: number;
  /** How many scenes there are already. */
  places: number;
  onChoose: (scenes: readonly string[]) => void;
  onPlace: (at: number) => void;
}) {
  const chooseAll = (): void => onChoose(template.scenes.map(({ id }) => id));
  const mark = (id: string, isChosen: boolean): void =>
    onChoose(isChosen ? [...chosen, id] : chosen.filter((scene) => scene !== id));
  const place = (event: ChangeEvent<HTMLSelectElement>): void => onPlace(Number(event.target.value));
  return (
    <fieldset className="mt-4">
      <legend className="mb-2 flex w-full items-baseline justify-between font-semibold">
        Scenes{" "}
        <button
          type="button"
          onClick={chooseAll}
          className="text-[13px] font-normal text-soft underline hover:text-ink"
        >
          All of them
        </button>
      </legend>
      {template.scenes.map((scene, index) => (
        <SceneRow key={scene.id} scene={scene} index={index} isChosen={chosen.includes(scene.id)} onMark={mark} />
      ))}
      <label className="mt-4 flex items-center gap-3">
        Put them in
        <select value={at} onChange={place} className="border border-rule bg-white px-2 py-1.5">
          {Array.from({ length: places + 1 }, (_, index) => (
            <option key={index} value={index}>
              {index === 0 ? "at the start" : `after scene ${index}`}
            </option>
          ))}
        </select>
      </label>
    </fieldset>
  );
}

function SceneRow({
  scene,
  index,
  isChosen,
  onMark,
}: {
  scene: SceneTemplate;
  index: number;
  isChosen: boolean;
  onMark: (id: string, isChosen: boolean) => void;
}) {
  const mark = (event: ChangeEvent<HTMLInputElement>): void => onMark(scene.id, event.target.checked);
  const { title, about } = ARRANGEMENTS[scene.arrangement.name];
  return (
    <label className="flex items-baseline gap-3 border-b border-rule py-1.5">
      <input type="checkbox" className="accent-accent" checked={isChosen} onChange={mark} />
      <span className="w-5 text-right figures text-soft">{index + 1}</span>
      <span className="flex-1">
        {scene.name}{" "}
        <span className="text-[13px] text-soft">· {scene.name === title ? about : title.toLowerCase()}</span>
      </span>
      <span className="figures text-[13px] text-soft">{scene.length / 1000} s</span>
    </label>
  );
}
