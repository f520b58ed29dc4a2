import { type Field, type FieldValue } from "../../core/document/field";
import { CheckField } from "./CheckField";
import { ChoiceField } from "./ChoiceField";
import { NumberField } from "./NumberField";

/** The control of a field: a list, a box to check or a number. */
export function FieldControl({
  field,
  value,
  onChange,
}: {
  field: Field;
  value: FieldValue<Field>;
  onChange: (value: FieldValue<Field>) => void;
}) {
  switch (field.kind) {
    case "flag":
      return <CheckField label={field.label} checked={value === true} onChange={onChange} />;
    case "number":
      return <NumberField {...field} value={Number(value)} onChange={onChange} />;
    case "choice":
      return <ChoiceField {...field} value={String(value)} onChange={onChange} />;
  }
}
