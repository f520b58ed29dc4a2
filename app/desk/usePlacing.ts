import { useCallback, useEffect, useState } from "react";
import { designOf, findPromotionSlot } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust, applyEdit } from "../../core/document/edits";
import { type TemplatesByRef } from "../../core/document/facts";
import { placeItem } from "../../core/document/itemEdits";
import { MARK_TITLES } from "../../core/document/brandMark";
import { moveMark } from "../../core/document/markEdits";
import { itemText } from "../../core/document/itemText";
import { FIRST_LOOKS } from "../../core/document/items";
import { type Promotion } from "../../core/document/promotion";
import { targetOf } from "../../core/document/adjustments";
import { type FormatName } from "../../core/placement/formats";
import { arrangePlaced } from "../../core/document/severalPlaced";
import { type MovedPlace, type Placing } from "./PlaceHandles";
import { type Together } from "./useTogether";
import { type PlacedKey, readPlacedKey } from "../../core/document/placedKey";

/** What is said of something that can be placed, and what placing it edits. */
interface Placeable {
  readonly label: string;
  readonly byHand: Placing["byHand"];
  /** Null where it is gone. */
  readonly edit: (format: FormatName, moved: MovedPlace) => Edit | null;
}

/**
 * Placing a slot, an item or a mark of the brand by hand, or several taken together. `onDragged` is given the document as
 * it would be while it is dragged.
 */
export function usePlacing(
  document: Promotion,
  templates: TemplatesByRef,
  {
    onEdit,
    onDragged,
    together,
  }: {
    onEdit: (edit: Edit) => void;
    onDragged: (document: Promotion | null) => void;
    together: Pick<Together, "keys" | "end">;
  },
): {
  placing: Placing | null;
  startPlacing: (key: PlacedKey) => void;
  stopPlacing: () => void;
} {
  const [key, setKey] = useState<PlacedKey | null>(null);
  const [isDragged, setDragged] = useState(false);
  const stopPlacing = useCallback(() => setKey(null), []);
  const isSeveral = together.keys.length > 1;
  const stop = isSeveral ? together.end : stopPlacing;
  const isOn = isSeveral || key !== null;
  useEffect(() => {
    if (!isOn) return;
    const end = (event: KeyboardEvent): void => {
      if (event.key === "Escape" && !isDragged) stop();
    };
    window.addEventListener("keydown", end);
    return () => window.removeEventListener("keydown", end);
  }, [isOn, stop, isDragged]);

  const keys = isSeveral ? together.keys : key ? [key] : [];
  const found = isSeveral ? severalOf(document, keys) : key && placeable(document, templates, key);
  const startPlacing = (one: PlacedKey): void => {
    together.end();
    setKey(one);
  };
  if (!found) return { placing: null, startPlacing, stopPlacing };
  return {
    startPlacing,
    stopPlacing,
    placing: {
      keys,
      label: found.label,
      byHand: found.byHand,
      onDrag: (format, moved) => {
        setDragged(moved !== null);
        const edit = moved && found.edit(format, moved);
        onDragged(edit && applyEdit(document, edit));
      },
      onPlace: (format, moved) => {
        setDragged(false);
        onDragged(null);
        const edit = found.edit(format, moved);
        if (edit) onEdit(edit);
      },
    },
  };
}

const severalOf = (document: Promotion, keys: readonly PlacedKey[]): Placeable => ({
  label: `${keys.length} together`,
  byHand: () => null,
  edit: (format, { from, to, each }) =>
    arrangePlaced(document, keys, [{ format, places: each }], {
      label: "Move together",
      change: (places) => places.map((one) => ({ ...one, x: one.x + to.x - from.x, y: one.y + to.y - from.y })),
    }),
});

function placeable(document: Promotion, templates: TemplatesByRef, key: PlacedKey): Placeable | null {
  const placed = readPlacedKey(key);
  if (placed.kind === "item") {
    const { id } = placed;
    const item = document.items[id];
    if (!item) return null;
    return {
      label: itemText(item) ?? FIRST_LOOKS[item.kind].title,
      byHand: () => null,
      edit: (format, moved) => placeItem(document, id, { format, ...moved }),
    };
  }
  if (placed.kind === "mark")
    return {
      label: MARK_TITLES[placed.mark],
      byHand: () => null,
      edit: (format, moved) => moveMark(document, placed, { format, ...moved }),
    };
  const found = findPromotionSlot(document, templates, placed.slot);
  if (!found) return null;
  const scene = designOf(document, templates).scenes.find((one) => one.id === found.scene.id);
  return {
    label: found.slot.label,
    byHand: (format) => scene?.places[format]?.[found.slot.id] ?? null,
    edit: (format, { to }) => adjust("place", to, { target: targetOf(placed.slot), layer: "scene@format", format }),
  };
}
