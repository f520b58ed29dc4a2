import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  Equal,
  type LucideIcon,
} from "lucide-react";
import { type Edit } from "../../core/document/edit";
import { type Arranging, arrangeItems, equalSizes } from "../../core/document/severalItems";
import { type Promotion } from "../../core/document/promotion";
import {
  ALIGNMENTS,
  type Alignment,
  DIRECTIONS,
  type Direction,
  aligned,
  distributed,
  gapOf,
  spaced,
} from "../../core/geometry/arrangeSeveral";
import { type ProofSheet } from "../../core/scene/proofSheet";
import { NumberField } from "../workshop/NumberField";

const ALIGN: Readonly<Record<Alignment, readonly [icon: LucideIcon, words: string]>> = {
  left: [AlignStartVertical, "Align at the left"],
  centre: [AlignCenterVertical, "Align at the centre"],
  right: [AlignEndVertical, "Align at the right"],
  top: [AlignStartHorizontal, "Align at the top"],
  middle: [AlignCenterHorizontal, "Align in the middle"],
  foot: [AlignEndHorizontal, "Align at the foot"],
};
const SPREAD: Readonly<Record<Direction, readonly [icon: LucideIcon, words: string]>> = {
  across: [AlignHorizontalSpaceBetween, "Even gaps across"],
  down: [AlignVerticalSpaceBetween, "Even gaps down"],
};
const FARTHEST_GAP = 2000;

/** What can be done with several items at once: aligned, spread, spaced by a number, made the same size; in every format. */
export function SeveralItems({
  document,
  ids,
  sheets,
  onEdit,
}: {
  document: Promotion;
  ids: readonly string[];
  sheets: readonly ProofSheet[];
  onEdit: (edit: Edit) => void;
}) {
  const places = sheets.map(({ format, items }) => ({
    format,
    places: ids.flatMap((id) => items.find((one) => one.id === id)?.place ?? []),
  }));
  // In a format that is just being prepared some may have no place yet.
  const known = places.filter((one) => one.places.length === ids.length);
  const arrange = (change: Arranging["change"], label: string): void => {
    const edit = arrangeItems(document, ids, known, { label, change });
    if (edit) onEdit(edit);
  };
  const resize = (): void => {
    const edit = equalSizes(document, ids);
    if (edit) onEdit(edit);
  };
  const [first] = known;
  return (
    <div
      role="group"
      aria-label="Several at once"
      className="flex flex-wrap items-end gap-1 border border-rule bg-card p-2 text-[13px]"
    >
      {ALIGNMENTS.map((to) => {
        const [icon, words] = ALIGN[to];
        return <Press key={to} icon={icon} words={words} onPress={() => arrange((all) => aligned(all, to), words)} />;
      })}
      {ids.length > 2 &&
        DIRECTIONS.map((way) => {
          const [icon, words] = SPREAD[way];
          return (
            <Press key={way} icon={icon} words={words} onPress={() => arrange((all) => distributed(all, way), words)} />
          );
        })}
      <Press icon={Equal} words="The same size" onPress={resize} />
      {first &&
        DIRECTIONS.map((way) => (
          <NumberField
            key={way}
            label={`Gap ${way}`}
            least={-FARTHEST_GAP}
            most={FARTHEST_GAP}
            value={Math.round(gapOf(first.places, way))}
            onChange={(gap) => arrange((all) => spaced(all, way, gap), `Gap ${way}`)}
            className="w-24 text-soft"
          />
        ))}
    </div>
  );
}

function Press({ icon: Icon, words, onPress }: { icon: LucideIcon; words: string; onPress: () => void }) {
  return (
    <button
      type="button"
      aria-label={words}
      title={words}
      onClick={onPress}
      className="flex h-9 w-9 items-center justify-center border border-rule bg-white hover:border-ink"
    >
      <Icon aria-hidden size={16} />
    </button>
  );
}
