import { type ChangeEvent, useState } from "react";
import { captionNeed, changeCaption, joinCaption, splitCaption } from "../../core/document/captionEdits";
import { type Caption, MOST_IN_CAPTION } from "../../core/document/captionsPart";
import { type Edit } from "../../core/document/edit";
import { takeOutCaption } from "../../core/document/edits";
import { type Promotion } from "../../core/document/promotion";
import { plainWords } from "../../core/type/emphasis";
import { millis } from "../../core/units";
import { fieldLook } from "../components/fieldLook";
import { TimeField } from "./TimeField";

/** A caption in the list: opened to be written and timed. */
export function CaptionRow({
  document,
  caption,
  time,
  isLast,
  isOpen,
  onOpen,
  onEdit,
}: {
  document: Promotion;
  caption: Caption & { readonly id: string };
  /** The time that is looked at, in milliseconds. */
  time: number;
  isLast: boolean;
  isOpen: boolean;
  onOpen: () => void;
  onEdit: (edit: Edit) => void;
}) {
  const { id, from, to, text } = caption;
  // Captions say something: a field that is emptied to be written anew is not taken.
  const [emptied, setEmptied] = useState(false);
  const apply = (edit: Edit | null): void => {
    if (edit) onEdit(edit);
  };
  function write({ target: { value } }: ChangeEvent<HTMLTextAreaElement>): void {
    setEmptied(value.trim() === "");
    apply(changeCaption(document, id, { text: value }));
  }
  const need = captionNeed(caption);
  const isShort = need > to - from;
  return (
    <li className="border-t border-rule last:border-b">
      <button
        type="button"
        aria-expanded={isOpen}
        onClick={onOpen}
        className={`flex w-full items-baseline gap-2 py-1 text-left text-[13px] hover:bg-paper ${isOpen ? "font-semibold" : ""}`}
      >
        <span className="shrink-0 figures text-[11.5px] text-soft">{(from / 1000).toFixed(2)} s</span>
        <span className={`min-w-0 flex-1 truncate ${isShort ? "text-wrong" : ""}`}>
          {plainWords(text).replaceAll("\n", " / ")}
        </span>
      </button>
      {isOpen && (
        <div className="flex flex-col gap-2 pb-3">
          <textarea
            aria-label="Words of the caption"
            rows={2}
            maxLength={MOST_IN_CAPTION}
            value={emptied ? "" : text}
            onChange={write}
            onBlur={() => setEmptied(false)}
            className={`${fieldLook} resize-none`}
          />
          <div className="grid grid-cols-2 gap-3">
            <TimeField
              label="In"
              value={from}
              onTime={(at) => apply(changeCaption(document, id, { from: millis(at) }))}
            />
            <TimeField label="Out" value={to} onTime={(at) => apply(changeCaption(document, id, { to: millis(at) }))} />
          </div>
          <p className={`text-[12.5px] ${isShort ? "text-wrong" : "text-soft"}`}>
            {(need / 1000).toFixed(1)} s to read, {((to - from) / 1000).toFixed(1)} s shown
          </p>
          <div className="flex flex-wrap gap-x-3 gap-y-1 text-[13px]">
            <Press label="Split here" edit={splitCaption(document, id, time)} onEdit={onEdit} />
            <Press label="Join with the next" edit={isLast ? null : joinCaption(document, id)} onEdit={onEdit} />
            <Press label="Take out" edit={takeOutCaption(id)} onEdit={onEdit} />
          </div>
        </div>
      )}
    </li>
  );
}

function Press({ label, edit, onEdit }: { label: string; edit: Edit | null; onEdit: (edit: Edit) => void }) {
  const press = (): void => {
    if (edit) onEdit(edit);
  };
  return (
    <button
      type="button"
      disabled={edit === null}
      onClick={press}
      className="min-h-6 underline hover:text-accent disabled:text-soft disabled:no-underline"
    >
      {label}
    </button>
  );
}
