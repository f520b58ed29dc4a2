import { type Arrangement, parametersOf } from "../../core/document/arrangements";
import { type Field, type FieldValue } from "../../core/document/field";
import { FieldControl } from "./FieldControl";

/** What may be set of an arrangement, one control each. */
export function ArrangementParameters({
  arrangement,
  onSet,
}: {
  arrangement: Arrangement;
  onSet: (arrangement: Arrangement) => void;
}) {
  const values: Readonly<Record<string, FieldValue<Field>>> = arrangement;
  return Object.entries(parametersOf(arrangement.name)).map(([key, field]) => (
    <FieldControl
      key={key}
      field={field}
      value={values[key] ?? field.initial}
      onChange={(value) => onSet({ ...arrangement, [key]: value })}
    />
  ));
}
