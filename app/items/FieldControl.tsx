import { type ChangeEvent } from "react";
import { COLOR_ROLES, type Palette, isColorRole } from "../../core/color/palette";
import { type Field, type NumberField as NumberOf } from "../../core/document/field";
import { ColorSwatches } from "../components/ColorSwatches";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";

type Value = string | number | boolean;

/** Whether a field is one of the brand's colours: they are shown in a row. */
export const isColorField = (field: Field): boolean => field.kind === "choice" && field.choices.every(isColorRole);

/** The control of a field of the registry, whichever it is. Times are typed in seconds, shares in per cent. */
export function FieldControl({
  field,
  palette,
  value,
  onChange,
}: {
  field: Field;
  palette: Palette;
  value: Value;
  onChange: (value: Value) => void;
}) {
  switch (field.kind) {
    case "flag": {
      const mark = (event: ChangeEvent<HTMLInputElement>): void => onChange(event.target.checked);
      return (
        <label className="flex items-center gap-2">
          <input type="checkbox" className="accent-accent" checked={value === true} onChange={mark} /> {field.label}
        </label>
      );
    }
    case "choice":
      return isColorField(field) ? (
        <div>
          <div className="mb-1 text-[13px] text-soft">{field.label}</div>
          <ColorSwatches
            label={field.label}
            palette={palette}
            chosen={COLOR_ROLES.find((role) => role === value) ?? null}
            onChoose={onChange}
          />
        </div>
      ) : (
        <ChoiceField label={field.label} choices={field.choices} value={String(value)} onChange={onChange} />
      );
    case "number": {
      const { unit, times } = shownAs(field);
      return (
        <NumberField
          label={`${field.label}${unit}`}
          least={field.least * times}
          most={field.most * times}
          step={field.step * times}
          value={Math.round(Number(value) * times * 100) / 100}
          onChange={(typed) => onChange("unit" in field ? Math.round(typed / times) : typed / times)}
        />
      );
    }
  }
}

/** How a number is shown: its unit, and how many times as large as it is kept. */
function shownAs(field: NumberOf): { readonly unit: string; readonly times: number } {
  if ("unit" in field) return { unit: ", s", times: 0.001 };
  return field.most <= 4 ? { unit: ", %", times: 100 } : { unit: "", times: 1 };
}
