import { type ChangeEvent, useState } from "react";
import { fieldLook } from "../components/fieldLook";

/** A line of text. One that must not be blank stays what it was until something is typed. */
export function TextField({
  label,
  most,
  value,
  required = false,
  onChange,
  className = "text-[13px] text-soft",
  look = fieldLook,
}: {
  label: string;
  /** Characters. */
  most: number;
  value: string;
  required?: boolean;
  onChange: (value: string) => void;
  className?: string;
  look?: string;
}) {
  const [blank, setBlank] = useState<string | null>(null);
  const write = (event: ChangeEvent<HTMLInputElement>): void => {
    const text = event.target.value;
    const isTaken = !required || text.trim() !== "";
    setBlank(isTaken ? null : text);
    if (isTaken) onChange(text);
  };
  const leave = (): void => setBlank(null);
  return (
    <label className={className}>
      {label}
      <input value={blank ?? value} maxLength={most} onChange={write} onBlur={leave} className={`${look} mt-1`} />
    </label>
  );
}
