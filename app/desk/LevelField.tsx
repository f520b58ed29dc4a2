import { Volume2, VolumeX } from "lucide-react";
import { type ChangeEvent } from "react";

const LOUDEST = 200;

/** How loud something is, in per cent of itself, with a switch to hear nothing of it. */
export function LevelField({
  label,
  level,
  usual,
  disabled,
  onLevel,
}: {
  /** What it is the sound of. */
  label: string;
  /** 1 is as loud as it is itself. */
  level: number;
  /** What it is when it is heard again. */
  usual: number;
  disabled: boolean;
  onLevel: (level: number) => void;
}) {
  const isOff = level === 0;
  const type = ({ target: { valueAsNumber } }: ChangeEvent<HTMLInputElement>): void => {
    if (valueAsNumber >= 0 && valueAsNumber <= LOUDEST) onLevel(valueAsNumber / 100);
  };
  const turn = (): void => onLevel(isOff ? usual : 0);
  const Mark = isOff ? VolumeX : Volume2;
  return (
    <span className="flex items-center gap-1 whitespace-nowrap">
      <button
        type="button"
        aria-pressed={!isOff}
        aria-label={label}
        title={isOff ? "Not heard. Press to hear it." : "Heard. Press to hear nothing of it."}
        disabled={disabled}
        onClick={turn}
        className="-ml-1 p-1 hover:text-ink disabled:opacity-25"
      >
        <Mark aria-hidden size={15} />
      </button>
      <input
        type="number"
        aria-label={`${label} in per cent`}
        min={0}
        max={LOUDEST}
        step={5}
        value={Math.round(level * 100)}
        disabled={disabled}
        onChange={type}
        className="w-12 border border-rule bg-white px-1 py-0.5 text-right figures text-[12.5px] text-ink disabled:bg-[#efe9dc]"
      />
      <span aria-hidden>%</span>
    </span>
  );
}
