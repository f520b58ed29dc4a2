import { type ChangeEvent } from "react";
import { fieldLook } from "../components/fieldLook";

/** One of a list of choices. Each is its value and, where that is no word for people, what it is called. */
export function ChoiceField<Value extends string>({
  label,
  choices,
  value,
  onChange,
  className = "text-[13px] text-soft",
  look = fieldLook,
}: {
  label: string;
  choices: readonly (Value | readonly [value: Value, name: string])[];
  value: Value;
  onChange: (value: Value) => void;
  className?: string;
  look?: string;
}) {
  const named = choices.map((choice): readonly [Value, string] =>
    typeof choice === "string" ? [choice, choice] : choice,
  );
  const choose = (event: ChangeEvent<HTMLSelectElement>): void => {
    const chosen = named.find(([choice]) => choice === event.target.value);
    if (chosen) onChange(chosen[0]);
  };
  return (
    <label className={className}>
      {label}
      <select value={value} onChange={choose} className={`${look} mt-1`}>
        {named.map(([choice, name]) => (
          <option key={choice} value={choice}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
