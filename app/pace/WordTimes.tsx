import { type Edit } from "../../core/document/edit";
import { type PlacedKey } from "../../core/document/placedKey";
import { type Promotion } from "../../core/document/promotion";
import { type ReadText } from "../../core/pace/readTexts";
import { type TimeSpan, setTime, wholeTime } from "../../core/pace/timeEdits";
import { type SceneSpan } from "../../core/time/timeline";
import { TimeField } from "./TimeField";

/** When the texts of a scene come and go, typed: counted from the start of the promotion. */
export function WordTimes({
  document,
  spans,
  texts,
  onEdit,
}: {
  document: Promotion;
  spans: readonly (SceneSpan & { readonly id: string })[];
  /** Of the scene alone. */
  texts: readonly ReadText[];
  onEdit: (edit: Edit) => void;
}) {
  function set(key: PlacedKey, time: TimeSpan): void {
    const edit = setTime(document, spans, key, time);
    if (edit) onEdit(edit);
  }
  if (texts.length === 0) return null;
  return (
    <fieldset className="flex min-w-0 flex-col gap-2 border-t border-rule pt-2.5">
      <legend className="float-left text-[15px] font-semibold">When words are there</legend>
      {texts.map(({ key, text, from, to }) => {
        const whole = wholeTime(document, spans, key);
        // What stays to its scene's end can be read until the next comes in.
        const end = whole && to < whole.to && !isTimed(document, key) ? whole.to : to;
        return (
          <div key={key} className="grid grid-cols-2 gap-x-3">
            <span className="col-span-2 truncate text-[13px]">{text}</span>
            <TimeField
              label={`In: ${text}`}
              shortLabel="in"
              value={from}
              onTime={(at) => set(key, { from: at, to: end })}
            />
            <TimeField
              label={`Out: ${text}`}
              shortLabel="out"
              value={end}
              onTime={(at) => set(key, { from, to: at })}
            />
          </div>
        );
      })}
    </fieldset>
  );
}

const isTimed = ({ adjustments }: Promotion, key: PlacedKey): boolean => adjustments[key]?.goesBefore !== undefined;
