import { clsx } from "clsx";
import { CaseUpper, ListOrdered, type LucideIcon, Move, RotateCcw } from "lucide-react";
import { type ChangeEvent } from "react";
import { COLOR_ROLES, type ColorRole } from "../../core/color/palette";
import { type Edit } from "../../core/document/edit";
import { keysFor } from "../../core/document/adjustments";
import { adjust, giveBack } from "../../core/document/edits";
import { type PlacedKey } from "../../core/document/placedKey";
import { type Promotion } from "../../core/document/promotion";
import { type Slot, type SlotAllows, type SlotKey, slotKey } from "../../core/document/sceneTemplate";
import { readEmphasis } from "../../core/type/emphasis";
import { fieldLook } from "../components/fieldLook";

interface SlotToolsProps {
  readonly document: Promotion;
  /** The id of theirs. */
  readonly scene: string;
  /** As the template has them. */
  readonly slots: readonly Slot[];
  /** Whether this person may change what is locked. */
  readonly free: boolean;
  /** What is taken together, to be aligned. */
  readonly several: readonly PlacedKey[];
  readonly onSeveral: (key: PlacedKey, isOn: boolean) => void;
  readonly onEdit: (edit: Edit) => void;
  readonly onPlace: (slot: SlotKey) => void;
}

/** How words are set besides their colour: each on or off. */
const SETTINGS = [
  { field: "capitals", title: "In capitals", of: "in capitals", Icon: CaseUpper },
  { field: "numbered", title: "Each line with a number", of: "numbered", Icon: ListOrdered },
] as const;

function Toggle({
  label,
  title,
  Icon,
  on,
  disabled,
  onToggle,
}: {
  label: string;
  title: string;
  Icon: LucideIcon;
  on: boolean;
  disabled: boolean;
  onToggle: (on: boolean) => void;
}) {
  const toggle = (): void => onToggle(!on);
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={label}
      title={title}
      disabled={disabled}
      onClick={toggle}
      className={clsx("p-1.5 disabled:opacity-25", on ? "bg-ink text-card" : "text-soft hover:text-ink")}
    >
      <Icon aria-hidden size={16} />
    </button>
  );
}

/** The brand's colour of something, or what it usually is. */
function ColorChoice({
  label,
  usual,
  value,
  disabled,
  onChoose,
}: {
  label: string;
  /** What is said where none is chosen. */
  usual: string;
  value: ColorRole | undefined;
  disabled: boolean;
  onChoose: (role: ColorRole | null) => void;
}) {
  const choose = (event: ChangeEvent<HTMLSelectElement>): void =>
    onChoose(COLOR_ROLES.find((role) => role === event.target.value) ?? null);
  return (
    <select
      aria-label={label}
      title={label}
      disabled={disabled}
      value={value ?? ""}
      onChange={choose}
      className={`${fieldLook} min-w-0 py-0.5! text-[13px]!`}
    >
      <option value="">{usual}</option>
      {COLOR_ROLES.map((role) => (
        <option key={role}>{role}</option>
      ))}
    </select>
  );
}

/** What can be changed of a scene's slots besides what is in them: whether they are shown, their colour and case, their place. */
export function SlotTools({ document, scene, slots, free, several, onSeveral, onEdit, onPlace }: SlotToolsProps) {
  const may = (slot: Slot, what: keyof SlotAllows): boolean => free || slot.allows[what];
  const changeable = slots.filter(
    (slot) => may(slot, "remove") || may(slot, "position") || (slot.kind === "words" && may(slot, "color")),
  );
  if (changeable.length === 0) return null;
  return (
    <table className="w-full text-[13.5px]">
      <thead>
        <tr className="text-left text-[13px] text-soft">
          <th className="font-normal">Shown</th>
          <th className="font-normal">Colour</th>
          <th className="w-[80px] font-normal">Place</th>
        </tr>
      </thead>
      <tbody>
        {changeable.map((slot) => {
          const key = slotKey({ id: scene }, slot);
          const target = { scene, slot: slot.id };
          const set = document.adjustments[key] ?? {};
          const isPlaced = keysFor(document.adjustments, target).some((one) => document.adjustments[one]?.place);
          const givePlaceBack = (): void => {
            const edit = giveBack(document, "place", target);
            if (edit) onEdit(edit);
          };
          const words = slot.kind === "words" ? slot : null;
          // What the template has is not set again.
          const toggle = (field: "capitals" | "numbered", on: boolean): void =>
            onEdit(adjust(field, on === (words?.[field] ?? false) ? null : on, { target }));
          const fill = document.fills[key];
          const written = fill?.kind === "words" ? fill.text : (words?.fallback ?? "");
          const isMarked = readEmphasis(written).marks.length > 0;
          return (
            <tr key={slot.id}>
              <th scope="row" className="pr-2 text-left font-normal">
                <label className="flex items-center gap-2">
                  <input
                    type="checkbox"
                    className="accent-accent"
                    disabled={!may(slot, "remove")}
                    checked={set.hidden !== true}
                    onChange={(event) => onEdit(adjust("hidden", event.target.checked ? null : true, { target }))}
                  />{" "}
                  {slot.label}
                </label>
              </th>
              <td className="pr-2">
                {words && (
                  <span className="flex items-center gap-1">
                    <ColorChoice
                      label={`Colour of ${slot.label}`}
                      usual="as usual"
                      value={set.color}
                      disabled={!may(slot, "color")}
                      onChoose={(role) => onEdit(adjust("color", role, { target }))}
                    />
                    {isMarked && (
                      <ColorChoice
                        label={`Colour of what stands out in ${slot.label}`}
                        usual="* as usual"
                        value={set.emphasis}
                        disabled={!may(slot, "color")}
                        onChoose={(role) => onEdit(adjust("emphasis", role, { target }))}
                      />
                    )}
                    {SETTINGS.map(({ field, title, of, Icon }) => (
                      <Toggle
                        key={field}
                        label={`${slot.label} ${of}`}
                        title={title}
                        Icon={Icon}
                        on={set[field] ?? words[field] ?? false}
                        disabled={!may(slot, "color")}
                        onToggle={(on) => toggle(field, on)}
                      />
                    ))}
                  </span>
                )}
              </td>
              <td className="whitespace-nowrap">
                <input
                  type="checkbox"
                  aria-label={`Choose ${slot.label} with others`}
                  title="Choose several, to align them"
                  className="mr-1 align-middle accent-accent"
                  disabled={!may(slot, "position") || set.hidden === true}
                  checked={several.includes(key)}
                  onChange={(event) => onSeveral(key, event.target.checked)}
                />
                <button
                  type="button"
                  disabled={!may(slot, "position") || set.hidden === true}
                  aria-label={`Place ${slot.label} by hand`}
                  title="Handles on the proofs"
                  onClick={() => onPlace(key)}
                  className="p-1.5 text-soft hover:text-ink disabled:opacity-25"
                >
                  <Move aria-hidden size={14} />
                </button>
                <button
                  type="button"
                  disabled={!may(slot, "position") || !isPlaced}
                  aria-label={`Give the place of ${slot.label} back to the arrangement`}
                  title="As the arrangement has it"
                  onClick={givePlaceBack}
                  className="p-1.5 text-soft hover:text-ink disabled:opacity-25"
                >
                  <RotateCcw aria-hidden size={14} />
                </button>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
