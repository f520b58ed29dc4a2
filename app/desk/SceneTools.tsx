import { type ChangeEvent } from "react";
import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { ArrowDown, ArrowUp, Copy, EyeOff, SlidersHorizontal, Trash2 } from "lucide-react";
import {
  ARRANGEMENTS,
  ARRANGEMENT_NAMES,
  type Arrangement,
  type ArrangementName,
  newArrangement,
} from "../../core/document/arrangements";
import { keyIn } from "../../core/records";
import { type BrandMark, type MarkKey } from "../../core/document/brandMark";
import { type SceneDesign } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust, editTo, moveScene, takeOutScene } from "../../core/document/edits";
import { type PlacedKey } from "../../core/document/placedKey";
import { scenesInOrder } from "../../core/document/sceneList";
import { type Promotion } from "../../core/document/promotion";
import { repeatScene } from "../../core/document/restructure";
import { type SceneTemplate, type SlotKey } from "../../core/document/sceneTemplate";
import { type Palette } from "../../core/color/palette";
import { millis } from "../../core/units";
import { ColorSwatches } from "../components/ColorSwatches";
import { fieldLook } from "../components/fieldLook";
import { ArrangementParameters } from "../workshop/ArrangementParameters";
import { FieldSource } from "./FieldSource";
import { MarkTools } from "./MarkTools";
import { SlotTools } from "./SlotTools";

/**
 * What can be done with a scene as a whole: its arrangement, ground and length, its place among the others, its
 * slots. What the template locks is closed.
 */
export function SceneTools({
  document,
  scene,
  design,
  index,
  isOnly,
  palette,
  mark,
  free,
  several,
  onSeveral,
  onEdit,
  onPlace,
  onProblem,
}: {
  document: Promotion;
  /** As it is now, and as its templates have it. */
  scene: SceneTemplate;
  design: SceneDesign;
  /** Among the scenes that are shown, from 0. */
  index: number;
  /** Whether no other scene is shown. */
  isOnly: boolean;
  palette: Palette;
  /** Which of the brand's marks stands in it now; null for none. */
  mark: BrandMark | null;
  /** Whether this person may change what is locked. */
  free: boolean;
  several: readonly PlacedKey[];
  onSeveral: (key: PlacedKey, isOn: boolean) => void;
  onEdit: (edit: Edit) => void;
  /** Asks for handles on a slot or a mark. */
  onPlace: (key: SlotKey | MarkKey) => void;
  onProblem: (problem: string) => void;
}) {
  const { origin } = design;
  const allows = (what: keyof SceneTemplate["allows"]): boolean => free || origin.allows[what];
  const target = { scene: scene.id };
  const all = scenesInOrder(document);
  const place = all.findIndex(({ id }) => id === scene.id);
  const move = (by: -1 | 1): void => onEdit(moveScene(document, scene.id, place + by));
  const setArrangement = (arrangement: Arrangement): void => onEdit(adjust("arrangement", arrangement, { target }));
  const chooseArrangement = ({ target: { value } }: ChangeEvent<HTMLSelectElement>): void => {
    const name = keyIn(ARRANGEMENTS, value);
    if (name) setArrangement(arrangementFor(name, origin));
  };
  const skip = (): void => onEdit(adjust("skipped", true, { target }));
  const takeOut = (): void => onEdit(takeOutScene(scene.id));
  const source = (id: "arrangement" | "ground" | "length" | "logo") => (
    <FieldSource {...{ document, id, design, onEdit }} scene={scene.id} />
  );
  const repeat = (): void => {
    try {
      onEdit(editTo(document, repeatScene(document, scene.id), "Repeat"));
    } catch (error) {
      onProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Popover className="relative">
      <PopoverButton
        className="mt-2 p-1 text-soft hover:text-ink"
        aria-label={`Scene ${index + 1}: arrangement, length, order`}
      >
        <SlidersHorizontal aria-hidden size={16} />
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: "right start", gap: 8, padding: 12 }}
        className="z-20 w-[430px] border border-rule bg-card p-4 shadow-xl"
      >
        {({ close }) => (
          <div className="flex flex-col gap-3 text-[14px]">
            <div>
              <span className="flex justify-between text-[13px] text-soft">
                <label htmlFor="arrangement">Arrangement{!allows("arrangement") && " (locked)"}</label>
                {source("arrangement")}
              </span>
              <select
                id="arrangement"
                value={scene.arrangement.name}
                disabled={!allows("arrangement")}
                onChange={chooseArrangement}
                className={`${fieldLook} mt-1`}
              >
                {ARRANGEMENT_NAMES.map((name) => (
                  <option key={name} value={name}>
                    {ARRANGEMENTS[name].title}
                  </option>
                ))}
              </select>
              <span className="mt-1 block text-[12.5px] leading-snug text-soft">
                {ARRANGEMENTS[scene.arrangement.name].about}
              </span>
              <fieldset disabled={!allows("arrangement")} className="mt-2 grid grid-cols-2 items-end gap-x-3 gap-y-2">
                <ArrangementParameters arrangement={scene.arrangement} onSet={setArrangement} />
              </fieldset>
            </div>
            <fieldset disabled={!allows("color")}>
              <legend className="mb-1 flex w-full justify-between text-[13px] text-soft">
                <span>Ground{!allows("color") && " (locked)"}</span>
                {source("ground")}
              </legend>
              <ColorSwatches
                label="Ground"
                palette={palette}
                chosen={scene.ground}
                onChoose={(role) => onEdit(adjust("ground", role, { target }))}
              />
            </fieldset>
            <div className="flex items-center gap-2 text-[13px] text-soft">
              {mark === "watermark" ? (
                <span>Watermark{!allows("arrangement") && " (locked)"}</span>
              ) : (
                <label className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="accent-accent"
                    disabled={!allows("arrangement")}
                    checked={scene.logo}
                    onChange={(event) => onEdit(adjust("logo", event.target.checked, { target }))}
                  />
                  Logo shown{!allows("arrangement") && " (locked)"}
                </label>
              )}
              <span className="ml-auto">{mark !== "watermark" && source("logo")}</span>
              {mark !== null && (
                <MarkTools
                  document={document}
                  scene={scene.id}
                  mark={mark}
                  disabled={!allows("arrangement")}
                  onEdit={onEdit}
                  onPlace={(key) => {
                    close();
                    onPlace(key);
                  }}
                />
              )}
            </div>
            <div className="flex items-center justify-between gap-3">
              <label htmlFor="length" className="text-[13px] text-soft">
                Length in seconds{!allows("timing") && " (locked)"}
              </label>
              <span className="flex items-center gap-2">
                {source("length")}
                <input
                  id="length"
                  type="number"
                  min={0.5}
                  max={60}
                  step={0.1}
                  disabled={!allows("timing")}
                  value={scene.length / 1000}
                  onChange={(event) =>
                    event.target.valueAsNumber >= 0.5 &&
                    event.target.valueAsNumber <= 60 &&
                    onEdit(adjust("length", millis(event.target.valueAsNumber * 1000), { target }))
                  }
                  className={`${fieldLook} w-20! figures`}
                />
              </span>
            </div>
            <SlotTools
              document={document}
              scene={scene.id}
              slots={origin.slots}
              free={free}
              several={several}
              onSeveral={onSeveral}
              onEdit={onEdit}
              onPlace={(slot) => {
                close();
                onPlace(slot);
              }}
            />
            <div className="flex flex-wrap gap-x-4 gap-y-1 border-t border-rule pt-3 text-[13.5px]">
              <Tool
                icon={<ArrowUp aria-hidden size={14} />}
                text="Earlier"
                disabled={place === 0}
                onPress={() => move(-1)}
              />
              <Tool
                icon={<ArrowDown aria-hidden size={14} />}
                text="Later"
                disabled={place === all.length - 1}
                onPress={() => move(1)}
              />
              <Tool icon={<Copy aria-hidden size={14} />} text="Repeat" disabled={false} onPress={repeat} />
              <Tool
                icon={<EyeOff aria-hidden size={14} />}
                text={allows("remove") ? "Skip" : "Skip (locked)"}
                disabled={!allows("remove") || isOnly}
                onPress={skip}
              />
              <Tool
                icon={<Trash2 aria-hidden size={14} />}
                text={allows("remove") ? "Take out" : "Take out (locked)"}
                disabled={!allows("remove") || isOnly}
                onPress={takeOut}
              />
            </div>
          </div>
        )}
      </PopoverPanel>
    </Popover>
  );
}

/** The template's own parameters where it is the same arrangement, else the usual ones. */
const arrangementFor = (name: ArrangementName, origin: SceneTemplate) =>
  origin.arrangement.name === name ? origin.arrangement : newArrangement(name);

function Tool({
  icon,
  text,
  disabled,
  onPress,
}: {
  icon: React.ReactNode;
  text: string;
  disabled: boolean;
  onPress: () => void;
}) {
  return (
    <button
      type="button"
      disabled={disabled}
      onClick={onPress}
      className="flex items-center gap-1.5 py-0.5 hover:underline disabled:text-firm disabled:no-underline"
    >
      {icon} {text}
    </button>
  );
}
