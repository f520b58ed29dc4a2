import { Move, RotateCcw } from "lucide-react";
import { useRef } from "react";
import { type BrandMark, type MarkKey, markKey } from "../../core/document/brandMark";
import { type Edit } from "../../core/document/edit";
import { giveMarkBack, placeMarkEverywhere } from "../../core/document/markEdits";
import { type Promotion } from "../../core/document/promotion";

/** Where the brand's mark stands in a scene: placed by hand, in every scene alike, or where it usually is. */
export function MarkTools({
  document,
  scene,
  mark,
  disabled,
  onEdit,
  onPlace,
}: {
  document: Promotion;
  /** Its id. */
  scene: string;
  mark: BrandMark;
  disabled: boolean;
  onEdit: (edit: Edit) => void;
  onPlace: (mark: MarkKey) => void;
}) {
  const at = { mark, scene };
  const everywhere = placeMarkEverywhere(document, at);
  const back = giveMarkBack(document, at);
  const place = (): void => onPlace(markKey(mark, scene));
  const placing = useRef<HTMLButtonElement>(null);
  // The button that was pressed goes, so the one that stays takes the focus.
  const press = (edit: Edit | null) => (): void => {
    if (edit) onEdit(edit);
    placing.current?.focus();
  };
  return (
    <span className="flex items-center whitespace-nowrap">
      {everywhere && (
        <button
          type="button"
          disabled={disabled}
          title={`The ${mark} stands here in every scene`}
          onClick={press(everywhere)}
          className="px-1.5 text-[12px] text-soft underline hover:text-ink disabled:opacity-25"
        >
          So in every scene
        </button>
      )}
      <button
        type="button"
        disabled={disabled}
        ref={placing}
        aria-label={`Place the ${mark} by hand`}
        title="Handles on the proofs"
        onClick={place}
        className="p-1.5 text-soft hover:text-ink disabled:opacity-25"
      >
        <Move aria-hidden size={14} />
      </button>
      <button
        type="button"
        disabled={disabled || back === null}
        aria-label={`Give the ${mark} its usual place`}
        title="As it usually is"
        onClick={press(back)}
        className="p-1.5 text-soft hover:text-ink disabled:opacity-25"
      >
        <RotateCcw aria-hidden size={14} />
      </button>
    </span>
  );
}
