import { COLOR_ROLES, type ColorRole } from "../../core/color/palette";
import { WORDS_BINDINGS, type WordsBinding, type WordsSlot } from "../../core/document/sceneTemplate";
import { WORDS_ROLES, type WordsRole } from "../../core/document/wordsRole";
import { ChoiceField } from "./ChoiceField";
import { NumberField } from "./NumberField";
import { TextField } from "./TextField";
import { slotField } from "./slotLook";

const NONE = "";
const LONGEST = 160;
const SOURCES = [
  [NONE, "nowhere"],
  ...WORDS_BINDINGS.map((binding) => [binding, binding.replace(".", ": ").replaceAll(/[.-]/g, " ")] as const),
] as const;
const COLORS = [[NONE, "as usual on its ground"], ...COLOR_ROLES] as const;

/** The rules of a slot for words: how they are set, how many, where they come from. */
export function WordsRules({ slot, onChange }: { slot: WordsSlot; onChange: (fields: Partial<WordsSlot>) => void }) {
  const setRole = (role: WordsRole): void => onChange({ role });
  const setBudget = (budget: number): void => onChange({ budget: Math.round(budget) });
  const setBinding = (binding: WordsBinding | ""): void => onChange({ binding: binding || undefined });
  const setColor = (color: ColorRole | ""): void => onChange({ color: color || undefined });
  const setFallback = (fallback: string): void => onChange({ fallback });
  return (
    <>
      <ChoiceField {...slotField} label="Set as" choices={WORDS_ROLES} value={slot.role} onChange={setRole} />
      <NumberField
        {...slotField}
        label="Made for letters"
        least={1}
        most={LONGEST}
        value={slot.budget}
        onChange={setBudget}
      />
      <ChoiceField
        {...slotField}
        label="Comes from"
        choices={SOURCES}
        value={slot.binding ?? NONE}
        onChange={setBinding}
      />
      <ChoiceField {...slotField} label="Colour" choices={COLORS} value={slot.color ?? NONE} onChange={setColor} />
      <TextField
        {...slotField}
        label="Until it is filled"
        most={LONGEST}
        value={slot.fallback ?? ""}
        onChange={setFallback}
      />
    </>
  );
}
