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
  X,
} from "lucide-react";
import { type Edit } from "../../core/document/edit";
import { type PlacedKey } from "../../core/document/placedKey";
import { type Arranging, arrangePlaced, equalSizes } from "../../core/document/severalPlaced";
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
import { placesIn } from "./shownSlots";
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

/** What can be done with several at once: aligned, spread, spaced by a number, made the same size; in every format. */
export function SeveralTools({
  document,
  keys,
  sheets,
  onEdit,
  onEnd,
}: {
  document: Promotion;
  keys: readonly PlacedKey[];
  sheets: readonly ProofSheet[];
  onEdit: (edit: Edit) => void;
  /** They are no longer taken together. */
  onEnd: () => void;
}) {
  const places = sheets.map((sheet) => {
    const standing = placesIn(sheet);
    return { format: sheet.format, places: keys.flatMap((key) => standing.get(key) ?? []) };
  });
  // In a format that is just being prepared, or where one finds no room, some have no place.
  const known = places.filter((one) => one.places.length === keys.length);
  const arrange = (change: Arranging["change"], label: string): void => {
    const edit = arrangePlaced(document, keys, known, { label, change });
    if (edit) onEdit(edit);
  };
  const resize = (): void => {
    const edit = equalSizes(document, keys, known);
    if (edit) onEdit(edit);
  };
  const [first] = known;
  return (
    <div
      role="group"
      aria-label="Several at once"
      className="flex flex-wrap items-end gap-1 border border-rule bg-card p-2 text-[13px] shadow-xl"
    >
      <span className="mr-1 self-center whitespace-nowrap">{keys.length} together</span>
      {ALIGNMENTS.map((to) => {
        const [icon, words] = ALIGN[to];
        return <Press key={to} icon={icon} words={words} onPress={() => arrange((all) => aligned(all, to), words)} />;
      })}
      {keys.length > 2 &&
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
      <Press icon={X} words="No longer together" onPress={onEnd} />
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
