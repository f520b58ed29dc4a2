import { type Rect } from "../geometry/rect";
import { type FormatName } from "../placement/formats";
import { toHalves } from "../placement/snapping";
import { targetOf } from "./adjustments";
import { type Edit, together } from "./edit";
import { formatsInOrder } from "./formatList";
import { adjust } from "./edits";
import { movedPoint } from "./itemEdits";
import { itemSourced } from "./itemsShown";
import { moveMark } from "./markEdits";
import { same } from "./patch";
import { type PlacedKey, readPlacedKey } from "./placedKey";
import { type Promotion } from "./promotion";

/** Where some things stand in a format, in design units, in the order of their keys. */
export interface PlacesIn {
  readonly format: FormatName;
  readonly places: readonly Rect[];
}

/** How several things are moved at once. */
export interface Arranging {
  readonly label: string;
  /** Gives where they are to stand, in the same order; their sizes stay. */
  readonly change: (places: readonly Rect[]) => readonly Rect[];
}

/**
 * Moves several slots, items and marks at once, in each format by itself: what is in line in one shape need not be in
 * another. Null where nothing moves.
 */
export function arrangePlaced(
  document: Promotion,
  keys: readonly PlacedKey[],
  formats: readonly PlacesIn[],
  { label, change }: Arranging,
): Edit | null {
  const edits = formats.flatMap(({ format, places }) => {
    const after = change(places);
    return keys.flatMap((key, at): Edit[] => {
      const [from, to] = [places[at], after[at]];
      const edit = from && to ? moved(document, key, { format, from, to }) : null;
      return edit ? [edit] : [];
    });
  });
  return edits.length > 0 ? together(label, edits) : null;
}

interface Moved {
  readonly format: FormatName;
  readonly from: Rect;
  readonly to: Rect;
}

/** Less than this is what is rounded, not a move. */
const LEAST_MOVE = 0.26;

/** Moves one of them in a format. Null where it stays. */
function moved(document: Promotion, key: PlacedKey, { format, from, to }: Moved): Edit | null {
  const placed = readPlacedKey(key);
  if (placed.kind === "item") return movedItem(document, placed.id, { format, from, to });
  if (Math.max(Math.abs(to.x - from.x), Math.abs(to.y - from.y)) < LEAST_MOVE) return null;
  return placed.kind === "mark"
    ? moveMark(document, placed, { format, from, to })
    : adjust("place", toHalves(to), { target: targetOf(placed.slot), layer: "scene@format", format });
}

function movedItem(document: Promotion, id: string, { format, from, to }: Moved): Edit | null {
  const item = document.items[id];
  if (!item) return null;
  const { value } = itemSourced(document, "at", { itemId: id, item, format });
  const point = movedPoint(value, { format, from, to });
  return same(point, movedPoint(value, { format, from, to: from }))
    ? null
    : adjust("at", point, { target: { item: id }, layer: "scene@format", format });
}

/**
 * Gives several things the size of the first of their kind: items in each format the one that it has there, slots as wide
 * and high as it stands. Marks of the brand keep theirs. Null where all have it.
 */
export function equalSizes(document: Promotion, keys: readonly PlacedKey[], formats: readonly PlacesIn[]): Edit | null {
  const all = keys.map(readPlacedKey);
  const items = all.flatMap((one) => (one.kind === "item" ? [one.id] : []));
  const ofSlots = formats.flatMap(({ format, places }): Edit[] => {
    const slots = all.flatMap((one, at) => {
      const place = places[at];
      return place && one.kind === "slot" ? [{ key: one.slot, place }] : [];
    });
    const [first, ...others] = slots;
    return others.flatMap(({ key, place }): Edit[] => {
      const to = toHalves({ ...place, width: first?.place.width ?? 0, height: first?.place.height ?? 0 });
      const isThere = Math.max(Math.abs(to.width - place.width), Math.abs(to.height - place.height)) < 1;
      return isThere ? [] : [adjust("place", to, { target: targetOf(key), layer: "scene@format", format })];
    });
  });
  const edits = [...sizesOfItems(document, items), ...ofSlots];
  return edits.length > 0 ? together("The same size", edits) : null;
}

function sizesOfItems(document: Promotion, ids: readonly string[]): Edit[] {
  const [first = "", ...others] = ids;
  const sizeIn = (id: string, format: FormatName | null) => {
    const item = document.items[id];
    return item ? itemSourced(document, "size", { itemId: id, item, format }) : null;
  };
  const formats = formatsInOrder(document);
  return others.flatMap((id): Edit[] => {
    const own = formats.map((format) => ({ format, mine: sizeIn(id, format), wanted: sizeIn(first, format) }));
    const isByFormat = own.some(({ mine, wanted }) => [mine, wanted].some((size) => size?.layer === "scene@format"));
    const general = sizeIn(first, null)?.value;
    if (!isByFormat && general !== undefined)
      return sizeIn(id, null)?.value === general ? [] : [adjust("size", general, { target: { item: id } })];
    return own.flatMap(({ format, mine, wanted }) =>
      wanted && mine?.value !== wanted.value
        ? [adjust("size", wanted.value, { target: { item: id }, layer: "scene@format", format })]
        : [],
    );
  });
}
