import { useCallback, useEffect, useMemo, useState } from "react";
import { designOf, findPromotionSlot } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { adjust, applyEdit } from "../../core/document/edits";
import { type TemplatesByRef } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { targetOf } from "../../core/document/adjustments";
import { type SlotKey } from "../../core/document/template";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName } from "../../core/placement/formats";
import { type Placing } from "./PlaceHandles";

/** Placing a slot of a promotion by hand. `dragged` is the document as it would be while a place is dragged. */
export function usePlacing(
  document: Promotion,
  templates: TemplatesByRef,
  onEdit: (edit: Edit) => void,
): {
  placing: Placing | null;
  dragged: Promotion | null;
  startPlacing: (slot: SlotKey) => void;
  stopPlacing: () => void;
} {
  const [slot, setSlot] = useState<SlotKey | null>(null);
  const [drag, setDrag] = useState<{ readonly format: FormatName; readonly place: Rect } | null>(null);
  const stopPlacing = useCallback(() => setSlot(null), []);
  useEffect(() => {
    if (!slot) return;
    const end = (event: KeyboardEvent): void => {
      if (event.key === "Escape" && !drag) setSlot(null);
    };
    window.addEventListener("keydown", end);
    return () => window.removeEventListener("keydown", end);
  }, [slot, drag]);

  const dragged = useMemo(
    () => (slot && drag ? applyEdit(document, placeEdit(slot, drag.format, drag.place)) : null),
    [document, slot, drag],
  );
  const found = slot ? findPromotionSlot(document, templates, slot) : null;
  if (!slot || !found) return { placing: null, dragged: null, startPlacing: setSlot, stopPlacing };
  const scene = designOf(document, templates).scenes.find(({ id }) => id === found.scene.id);
  return {
    dragged,
    startPlacing: setSlot,
    stopPlacing,
    placing: {
      slot,
      label: found.slot.label,
      byHand: (format) => scene?.places[format]?.[found.slot.id] ?? null,
      onDrag: (format, place) => setDrag(place && { format, place }),
      onPlace: (format, place) => {
        setDrag(null);
        onEdit(placeEdit(slot, format, place));
      },
    },
  };
}

const placeEdit = (slot: SlotKey, format: FormatName, place: Rect): Edit =>
  adjust("place", place, { target: targetOf(slot), layer: "scene@format", format });
