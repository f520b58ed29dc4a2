import { clsx } from "clsx";
import { CaseUpper, Move, RotateCcw } from "lucide-react";
import { COLOR_ROLES } from "../../core/color/palette";
import { type Edit } from "../../core/document/edit";
import { keysFor } from "../../core/document/adjustments";
import { adjust, giveBack } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { type Slot, type SlotAllows, type SlotKey, slotKey } from "../../core/document/sceneTemplate";
import { fieldLook } from "../components/fieldLook";

interface SlotToolsProps {
  readonly document: Promotion;
  /** The id of theirs. */
  readonly scene: string;
  /** As the template has them. */
  readonly slots: readonly Slot[];
  /** Whether this person may change what is locked. */
  readonly free: boolean;
  readonly onEdit: (edit: Edit) => void;
  readonly onPlace: (slot: SlotKey) => void;
}

/** Sets words in capitals, however they are written. */
function ToggleCapitals({
  slot,
  on,
  disabled,
  onToggle,
}: {
  slot: Slot;
  on: boolean;
  disabled: boolean;
  onToggle: (on: boolean) => void;
}) {
  const toggle = (): void => onToggle(!on);
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={`${slot.label} in capitals`}
      title="In capitals"
      disabled={disabled}
      onClick={toggle}
      className={clsx("p-1.5 disabled:opacity-25", on ? "bg-ink text-card" : "text-soft hover:text-ink")}
    >
      <CaseUpper aria-hidden size={16} />
    </button>
  );
}

/** What can be changed of a scene's slots besides what is in them: whether they are shown, their colour and case, their place. */
export function SlotTools({ document, scene, slots, free, onEdit, onPlace }: SlotToolsProps) {
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
          <th className="w-[58px] font-normal">Place</th>
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
          // What the template has is not set again.
          const setCapitals = (on: boolean): void => {
            const usual = slot.kind === "words" && slot.capitals === true;
            onEdit(adjust("capitals", on === usual ? null : on, { target }));
          };
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
                {slot.kind === "words" && (
                  <span className="flex items-center gap-1">
                    <select
                      aria-label={`Colour of ${slot.label}`}
                      disabled={!may(slot, "color")}
                      value={set.color ?? ""}
                      onChange={(event) =>
                        onEdit(
                          adjust("color", COLOR_ROLES.find((role) => role === event.target.value) ?? null, { target }),
                        )
                      }
                      className={`${fieldLook} py-0.5! text-[13px]!`}
                    >
                      <option value="">as usual</option>
                      {COLOR_ROLES.map((role) => (
                        <option key={role}>{role}</option>
                      ))}
                    </select>
                    <ToggleCapitals
                      slot={slot}
                      on={set.capitals ?? slot.capitals ?? false}
                      disabled={!may(slot, "color")}
                      onToggle={setCapitals}
                    />
                  </span>
                )}
              </td>
              <td className="whitespace-nowrap">
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
