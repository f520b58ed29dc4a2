import { type ChangeEvent } from "react";
import { fieldLook } from "../components/fieldLook";

/** A number within bounds; what lies outside them is not taken. */
export function NumberField({
  label,
  least,
  most,
  step = 1,
  value,
  onChange,
  className = "text-[13px] text-soft",
  look = fieldLook,
}: {
  label: string;
  least: number;
  most: number;
  step?: number;
  value: number;
  onChange: (value: number) => void;
  className?: string;
  look?: string;
}) {
  const take = ({ target: { valueAsNumber } }: ChangeEvent<HTMLInputElement>): void => {
    if (valueAsNumber >= least && valueAsNumber <= most) onChange(valueAsNumber);
  };
  return (
    <label className={className}>
      {label}
      <input
        type="number"
        min={least}
        max={most}
        step={step}
        value={value}
        onChange={take}
        className={`${look} mt-1 figures`}
      />
    </label>
  );
}
