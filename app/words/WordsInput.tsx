import { type ChangeEvent, type ClipboardEvent, useRef } from "react";
import { hasChips, withChips } from "../../core/document/chips";
import { type Facts } from "../../core/document/facts";
import { MOST_WORDS } from "../../core/document/promotion";
import { pastedWords } from "../../core/type/pastedWords";
import { fieldLook } from "../components/fieldLook";
import { ChipPicker } from "./ChipPicker";
import { EmphasisButton } from "./EmphasisButton";
import { EmojiPicker } from "./EmojiPicker";
import { insertText } from "./insertText";

/** A field for words, as many lines as they have; what is pasted keeps its paragraphs alone. */
export function WordsInput({
  id,
  slot,
  label,
  text,
  locked = false,
  hint,
  suggestions = [],
  facts,
  className = "",
  onFocus,
  onWrite,
}: {
  id?: string;
  /** What a click in a proof puts the cursor into. */
  slot?: string;
  /** Its name, where no label says it. */
  label?: string;
  text: string;
  locked?: boolean;
  hint?: string | undefined;
  /** Words to pick from. With them it is one line. */
  suggestions?: readonly string[];
  /** What words can follow. */
  facts: Facts;
  className?: string;
  onFocus: () => void;
  onWrite: (text: string) => void;
}) {
  const field = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  const write = (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>): void =>
    onWrite(Array.from(event.target.value).slice(0, MOST_WORDS).join(""));
  const isLine = suggestions.length > 0;
  function paste(event: ClipboardEvent<HTMLInputElement | HTMLTextAreaElement>): void {
    const words = pastedWords(event.clipboardData.getData("text/plain"));
    event.preventDefault();
    if (!locked) insertText(event.currentTarget, isLine ? words.replaceAll("\n", " ") : words);
  }
  const put = (more: string): void => {
    if (field.current) insertText(field.current, more);
  };
  const makePlain = (): void => onWrite(withChips(text, facts));
  const look = `${fieldLook} pr-21! ${className}`;
  const common = {
    id,
    "data-slot": slot,
    "aria-label": label,
    value: text,
    readOnly: locked,
    maxLength: MOST_WORDS,
    placeholder: hint,
    dir: "auto",
    onFocus,
    onPaste: paste,
    onChange: write,
  } as const;
  return (
    <div className="group relative min-w-0 flex-1">
      {isLine ? (
        <>
          <datalist id={`${id ?? ""}-suggestions`}>
            {suggestions.map((words) => (
              <option key={words} value={words} />
            ))}
          </datalist>
          <input ref={field} {...common} className={look} list={`${id ?? ""}-suggestions`} />
        </>
      ) : (
        // As high as its words.
        <textarea ref={field} {...common} rows={1} className={`${look} block field-sizing-content resize-none`} />
      )}
      {!locked && (
        <div className="absolute top-0.5 right-1 flex opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
          <EmphasisButton field={field} />
          <ChipPicker facts={facts} onPick={put} onPlain={hasChips(text) ? makePlain : null} />
          <EmojiPicker onPick={put} />
        </div>
      )}
    </div>
  );
}
