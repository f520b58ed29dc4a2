import { clsx } from "clsx";
import { type ChangeEvent, type KeyboardEvent, useState } from "react";
import { useLive } from "./useLive";

/** A name in the head of a page that is taken over once it is typed. A blank one is not taken. */
export function EditableName({
  label,
  most,
  name,
  onRename,
}: {
  label: string;
  /** Characters. */
  most: number;
  name: string;
  onRename: (name: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const live = useLive();
  const finish = (): void => {
    if (typed !== null && typed.trim() !== "" && typed.trim() !== name) onRename(typed.trim());
    setTyped(null);
  };
  const write = (event: ChangeEvent<HTMLInputElement>): void => setTyped(event.target.value);
  const finishByKey = (event: KeyboardEvent<HTMLInputElement>): void => {
    if (event.key === "Enter") event.currentTarget.blur();
    if (event.key === "Escape") setTyped(null);
  };
  const shown = typed ?? name;
  return (
    <input
      value={shown}
      readOnly={!live}
      maxLength={most}
      aria-label={label}
      onChange={write}
      onBlur={finish}
      onKeyDown={finishByKey}
      style={{ width: `${Math.min(34, Math.max(10, shown.length * 0.92))}ch` }}
      className={clsx(
        "truncate border-b border-transparent bg-transparent font-heading",
        "text-[20px] font-semibold hover:border-rule focus:border-ink",
      )}
    />
  );
}
