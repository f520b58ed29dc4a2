import { Asterisk } from "lucide-react";
import { type RefObject } from "react";
import { type Stretch, toggledEmphasis } from "../../core/type/emphasis";
import { replaceText } from "./insertText";

/** Lets what is chosen in a field stand out, or no longer; with nothing chosen, the word that the cursor is in. */
export function EmphasisButton({ field }: { field: RefObject<HTMLInputElement | HTMLTextAreaElement | null> }) {
  function toggle(): void {
    const input = field.current;
    if (input) replaceText(input, toggledEmphasis(input.value, chosenIn(input)));
  }
  return (
    <button
      type="button"
      aria-label="Let what is chosen stand out"
      title="Let what is chosen stand out, in a second colour"
      onClick={toggle}
      className="p-1.5 text-soft hover:text-ink"
    >
      <Asterisk aria-hidden size={16} />
    </button>
  );
}

function chosenIn({ value, selectionStart, selectionEnd }: HTMLInputElement | HTMLTextAreaElement): Stretch {
  const [start, end] = [selectionStart ?? 0, selectionEnd ?? 0];
  if (start < end) return { start, end };
  const before = /\S*$/u.exec(value.slice(0, start))?.[0] ?? "";
  const after = /^\S*/u.exec(value.slice(end))?.[0] ?? "";
  return { start: start - before.length, end: end + after.length };
}
