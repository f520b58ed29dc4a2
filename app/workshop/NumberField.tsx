import { fieldLook } from "../desk/DeckFields";

/** A number within bounds; what lies outside them is not taken. */
export function NumberField({
  label,
  least,
  most,
  step,
  value,
  onChange,
}: {
  label: string;
  least: number;
  most: number;
  step: number;
  value: number;
  onChange: (value: number) => void;
}) {
  return (
    <label className="text-[13px] text-soft">
      {label}
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={(event) =>
          event.target.valueAsNumber >= least &&
          event.target.valueAsNumber <= most &&
          onChange(event.target.valueAsNumber)
        }
        className={`${fieldLook} mt-1 figures`}
      />
    </label>
  );
}
