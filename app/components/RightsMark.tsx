import { clsx } from "clsx";
import { TriangleAlert } from "lucide-react";
import { RIGHTS_WORDS, type RightsState } from "../../core/document/rights";

/** Says, with a sign and words, that the right to use an item is missing, over or not begun. Nothing where it is clear. */
export function RightsMark({ state, className = "" }: { state: RightsState; className?: string }) {
  if (state === "clear") return null;
  return (
    <span
      className={clsx(
        "inline-flex items-center gap-1 px-1.5 py-0.5 text-xs",
        state === "missing" ? "bg-warn-pale text-warn" : "bg-wrong-pale text-wrong",
        className,
      )}
    >
      <TriangleAlert aria-hidden size={12} /> {RIGHTS_WORDS[state]}
    </span>
  );
}
