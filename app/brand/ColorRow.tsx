import { useState } from "react";
import { X } from "lucide-react";
import { type NamedColor } from "../../core/color/paletteFiles";
import { isHex } from "../../core/color/srgb";
import { type ColorNotation, parseColor, writeColor } from "../../core/color/typedColor";
import { Problem } from "../components/Problem";

/** One of a brand's colours: picked, named, or typed in the notation that was chosen. */
export function ColorRow({
  label,
  about,
  color,
  notation,
  problem,
  active,
  onPick,
  onChange,
  onUnreadable,
  onRemove,
}: {
  label: string;
  about: string;
  color: NamedColor;
  notation: ColorNotation;
  problem: string | undefined;
  active: boolean;
  onPick?: () => void;
  onChange: (change: Partial<NamedColor>) => void;
  onUnreadable: (is: boolean) => void;
  onRemove?: () => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const finish = (): void => {
    if (typed === null) return;
    try {
      onChange({ hex: parseColor(typed) });
      setWrong(null);
      setTyped(null);
      onUnreadable(false);
    } catch (error) {
      setWrong(error instanceof Error ? error.message : String(error));
      onUnreadable(true);
    }
  };
  const shown = wrong ?? problem;
  return (
    <li onFocus={onPick} className={`flex flex-wrap items-center gap-x-4 py-2 ${active ? "bg-card" : ""}`}>
      <input
        type="color"
        value={isHex(color.hex) ? color.hex : "#000000"}
        onChange={(event) => onChange({ hex: event.target.value })}
        aria-label={`${label} colour, picker`}
        className="h-10 w-14 border border-rule bg-white p-0.5"
      />
      <div className="w-36">
        <p className="font-semibold">{label}</p>
        <p className="text-sm text-soft">{about}</p>
      </div>
      <input
        value={color.name}
        maxLength={40}
        onChange={(event) => onChange({ name: event.target.value })}
        aria-label={`${label} colour, name`}
        className="w-36 border border-rule bg-white px-2 py-1.5"
      />
      <input
        value={typed ?? (isHex(color.hex) ? writeColor(color.hex, notation) : color.hex)}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={finish}
        onKeyDown={(event) => {
          if (event.key !== "Enter") return;
          event.preventDefault();
          finish();
        }}
        aria-label={`${label} colour, ${notation}`}
        aria-invalid={shown ? true : undefined}
        className="w-64 border border-rule bg-white px-2 py-2.5 figures"
      />
      {onRemove && (
        <button
          type="button"
          onClick={onRemove}
          aria-label={`Remove ${color.name}`}
          className="p-1 text-soft hover:text-wrong"
        >
          <X aria-hidden size={16} />
        </button>
      )}
      <Problem text={shown} className="mt-1 w-full" />
    </li>
  );
}
