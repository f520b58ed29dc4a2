import { type ChangeEvent } from "react";
import { fieldLook } from "../desk/DeckFields";

/** A line of text. */
export function TextField({
  label,
  most,
  value,
  onChange,
  className = "text-[13px] text-soft",
  look = fieldLook,
}: {
  label: string;
  /** Characters. */
  most: number;
  value: string;
  onChange: (value: string) => void;
  className?: string;
  look?: string;
}) {
  const write = (event: ChangeEvent<HTMLInputElement>): void => {
    onChange(event.target.value);
  };
  return (
    <label className={className}>
      {label}
      <input value={value} maxLength={most} onChange={write} className={`${look} mt-1`} />
    </label>
  );
}
