import { type ChangeEvent } from "react";

/** A box to check, with its words. */
export function CheckField({
  label,
  checked,
  onChange,
  className = "gap-2",
}: {
  label: string;
  checked: boolean;
  onChange: (checked: boolean) => void;
  className?: string;
}) {
  const check = (event: ChangeEvent<HTMLInputElement>): void => {
    onChange(event.target.checked);
  };
  return (
    <label className={`flex items-center ${className}`}>
      <input type="checkbox" className="h-4 w-4 accent-accent" checked={checked} onChange={check} /> {label}
    </label>
  );
}
