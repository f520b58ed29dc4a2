import { Trash2 } from "lucide-react";
import { type Edit } from "../../core/document/edit";
import { type ListedPiece } from "../../core/document/soundEdits";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { dropTake, hearTake } from "../../core/document/takeEdits";

/** The takes of a piece that are kept: which one is heard, and those that are let go. Nothing where there is but one. */
export function Takes({
  document,
  promotion,
  piece: { id, media, takes = [] },
  name,
  onEdit,
}: {
  document: Promotion;
  promotion: ResolvedPromotion;
  piece: ListedPiece;
  name: string;
  onEdit: (edit: Edit) => void;
}) {
  if (takes.length === 0) return null;
  const named = (take: string): string =>
    promotion.facts.media[take]?.name.replace(/\.\w+$/, "") ?? "not there any more";
  // In an order that stays, whichever is heard.
  const all = [media, ...takes].sort((one, other) => (named(one) < named(other) ? -1 : 1));
  return (
    <fieldset className="flex flex-col gap-1 text-[13px]">
      <legend className="mb-1 text-[12.5px] text-soft">Takes</legend>
      {all.map((take) => {
        const choose = (): void => {
          const edit = hearTake(document, id, take);
          if (edit) onEdit(edit);
        };
        const drop = (): void => {
          const edit = dropTake(document, id, take);
          if (edit) onEdit(edit);
        };
        return (
          <div key={take} className="flex items-center gap-2">
            <label className="flex min-h-6 min-w-0 flex-1 items-center gap-1.5">
              <input
                type="radio"
                name={`take of ${id}`}
                className="accent-accent"
                checked={take === media}
                onChange={choose}
              />
              <span className="truncate">{named(take)}</span>
            </label>
            {take !== media && (
              <button
                type="button"
                aria-label={`Drop ${named(take)} as a take of ${name}`}
                onClick={drop}
                className="p-1 text-soft hover:text-ink"
              >
                <Trash2 aria-hidden size={13} />
              </button>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}
