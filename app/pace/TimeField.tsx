import { type ChangeEvent, type FocusEvent, type KeyboardEvent, useId, useState } from "react";
import { FPS_30 } from "../../core/time/frames";
import { typedTime } from "../../core/time/timecode";
import { fieldLook } from "../components/fieldLook";

/** A time, typed as seconds, frames or timecode. It is taken on Enter, or when the field is left. */
export function TimeField({
  label,
  shortLabel,
  value,
  disabled = false,
  onTime,
}: {
  label: string;
  /** What is written over it, where that is less than it is called. */
  shortLabel?: string;
  /** Milliseconds. */
  value: number;
  disabled?: boolean;
  onTime: (ms: number) => void;
}) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? `${Number((value / 1000).toFixed(3))} s`;
  const isWrong = typed !== null && typedTime(typed, FPS_30) === null;
  function take(): void {
    const ms = typed === null ? null : typedTime(typed, FPS_30);
    if (ms === null && typed !== null && typed.trim() !== "") return;
    setTyped(null);
    if (ms !== null && ms !== value) onTime(ms);
  }
  function press(event: KeyboardEvent): void {
    if (event.key === "Enter") take();
    if (event.key === "Escape") setTyped(null);
  }
  const type = (event: ChangeEvent<HTMLInputElement>): void => setTyped(event.target.value);
  const select = (event: FocusEvent<HTMLInputElement>): void => event.target.select();
  return (
    <div className="text-[13px] text-soft">
      <label htmlFor={id}>{shortLabel ?? label}</label>
      <input
        id={id}
        aria-label={shortLabel === undefined ? undefined : label}
        value={shown}
        disabled={disabled}
        aria-invalid={isWrong}
        aria-describedby={isWrong ? `${id}-wrong` : undefined}
        onChange={type}
        onFocus={select}
        onBlur={take}
        onKeyDown={press}
        className={`${fieldLook} mt-1 figures disabled:opacity-50`}
      />
      {isWrong && (
        <p id={`${id}-wrong`} role="alert" className="mt-1 text-[12.5px] text-wrong">
          Type seconds (4.5), frames (135 f) or a timecode (00:04:15).
        </p>
      )}
    </div>
  );
}
