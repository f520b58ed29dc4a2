import { type ChangeEvent, type ReactNode, useState } from "react";
import { type Palette } from "../../core/color/palette";
import { type Edit } from "../../core/document/edit";
import { adjust, giveBack, putItem } from "../../core/document/edits";
import { type Field, type ShapedField } from "../../core/document/field";
import { FIELDS, ITEM_FIELD_IDS, type ItemFieldId, type ValueOf, isValueOf } from "../../core/document/fields";
import { formatsInOrder } from "../../core/document/formatList";
import { itemSourced } from "../../core/document/itemsShown";
import { ITEM_ROLES, type Item, isLettered } from "../../core/document/items";
import { type Promotion } from "../../core/document/promotion";
import { formatTitle } from "../../core/placement/formats";
import { fieldLook } from "../components/fieldLook";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";
import { CounterFields } from "./CounterFields";
import { FieldControl, isColorField } from "./FieldControl";

const EVERYWHERE = "all formats";

/** Everything that can be set of an item, for all formats or for one. */
export function ItemFields({
  document,
  id,
  item,
  scenes,
  palette,
  today,
  onEdit,
}: {
  document: Promotion;
  id: string;
  item: Item;
  /** The scenes that it may lie over, in their order. */
  scenes: readonly { readonly id: string; readonly name: string }[];
  palette: Palette;
  /** The day that counters count from. */
  today: string | null;
  onEdit: (edit: Edit) => void;
}) {
  const formats = formatsInOrder(document);
  const [reach, setReach] = useState<string>(EVERYWHERE);
  const format = formats.find((one) => one === reach) ?? null;
  const target = { item: id };
  const layer = format === null ? {} : { layer: "scene@format" as const, format };
  const found = <Id extends ItemFieldId>(field: Id) => itemSourced(document, field, { itemId: id, item, format });
  const set = <Id extends ItemFieldId>(field: Id, value: ValueOf<Id>): void =>
    onEdit(adjust(field, value, { target, ...layer }));
  const setIfValid = (field: ItemFieldId, value: unknown): void => {
    if (isValueOf(field, value)) set(field, value);
  };
  const at = found("at").value;
  const kinds = (field: ItemFieldId): boolean => FIELDS[field].kinds.some((kind) => kind === item.kind);
  const chooseReach = (event: ChangeEvent<HTMLSelectElement>): void => setReach(event.target.value);
  const giveAllBack = (field: ItemFieldId): void => {
    const edit = giveBack(document, field, target);
    if (edit) onEdit(edit);
  };
  const control = (field: ItemFieldId) => {
    const { value, layer: from } = found(field);
    const own = plain(FIELDS[field].field);
    if (!own || typeof value === "object") return null;
    return (
      <div key={field} className={`relative ${isColorField(own) ? "col-span-2" : ""}`}>
        <FieldControl field={own} palette={palette} value={value} onChange={(next) => setIfValid(field, next)} />
        {from !== "kind" && (
          <button
            type="button"
            onClick={() => giveAllBack(field)}
            className="absolute top-0 right-0 bg-card pl-1 text-[12px] text-soft underline hover:text-ink"
          >
            Reset<span className="sr-only"> {FIELDS[field].field.label}</span>
          </button>
        )}
      </div>
    );
  };
  const controls = (fields: readonly ItemFieldId[]) => fields.filter(kinds).map(control);
  return (
    <div className="flex flex-col gap-3 text-[13.5px]">
      <label className="flex items-center justify-between gap-3 text-[13px] text-soft">
        Set it for
        <select value={reach} onChange={chooseReach} className={`${fieldLook} w-auto! py-1!`}>
          <option>{EVERYWHERE}</option>
          {formats.map((one) => (
            <option key={one} value={one}>
              {formatTitle(one)} only
            </option>
          ))}
        </select>
      </label>
      <Group title="Where it stands">
        <NumberField
          label="Across, %"
          least={0}
          most={100}
          value={Math.round(at.x * 1000) / 10}
          onChange={(x) => set("at", { ...at, x: x / 100 })}
        />
        <NumberField
          label="Down, %"
          least={0}
          most={100}
          value={Math.round(at.y * 1000) / 10}
          onChange={(y) => set("at", { ...at, y: y / 100 })}
        />
        {controls(WHERE)}
      </Group>
      <Group title="How it looks">
        {item.kind === "counter" && (
          <CounterFields
            item={item}
            today={today}
            onChange={(next) => onEdit({ ...putItem(id, next), label: "Counting" })}
          />
        )}
        {isLettered(item) && (
          <ChoiceField
            label="Set as"
            choices={ITEM_ROLES}
            value={item.role}
            onChange={(role) => onEdit({ ...putItem(id, { ...item, role }), label: "Set as" })}
          />
        )}
        {controls(ITEM_FIELD_IDS.filter((field) => !WHERE.includes(field) && !WHEN.includes(field)))}
      </Group>
      <Group title="When it is there">
        <ScenesOf item={item} scenes={scenes} onChange={(next) => onEdit({ ...putItem(id, next), label: "Scenes" })} />
        {controls(WHEN)}
      </Group>
    </div>
  );
}

const WHERE: readonly ItemFieldId[] = ["size", "tall", "angle"];
const WHEN: readonly ItemFieldId[] = ["starts", "ends", "counts", "comes", "moves"];

const Group = ({ title, children }: { title: string; children: ReactNode }) => (
  <fieldset className="border-t border-rule pt-2">
    <legend className="sr-only">{title}</legend>
    <div className="grid grid-cols-3 gap-x-3 gap-y-2 [&_input]:py-1! [&_select]:py-1!">{children}</div>
  </fieldset>
);

const plain = (field: Field | ShapedField): Field | null => (field.kind === "shaped" ? null : field);

/** From the start of one scene to the end of another. */
function ScenesOf({
  item,
  scenes,
  onChange,
}: {
  item: Item;
  scenes: readonly { readonly id: string; readonly name: string }[];
  onChange: (item: Item) => void;
}) {
  const choices = scenes.map(({ id, name }, index) => [id, `${index + 1} ${name}`] as const);
  return (
    <>
      <ChoiceField
        label="From the start of"
        choices={choices}
        value={item.from}
        onChange={(from) => onChange({ ...item, from })}
      />
      <ChoiceField
        label="To the end of"
        choices={choices}
        value={item.to}
        onChange={(to) => onChange({ ...item, to })}
      />
    </>
  );
}
