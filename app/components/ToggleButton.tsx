import { clsx } from "clsx";
import { type ReactNode } from "react";

/** Something that is on or off, on the grey of the proofs or on a card. */
export function ToggleButton({ on, onToggle, children }: { on: boolean; onToggle: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onToggle}
      className={clsx(
        "border px-2 py-0.5 text-[13px]",
        on ? "border-ink bg-ink text-card" : "border-[#5f625f] bg-transparent text-[#12181a] hover:bg-[#a3a5a2]",
      )}
    >
      {children}
    </button>
  );
}
