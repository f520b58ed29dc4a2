import { type Point, type Rect, centreOf } from "../geometry/rect";
import { type FormatName, formatOf } from "../placement/formats";
import { takenItemIds } from "./copiedItems";
import { type Edit, together } from "./edit";
import { keysFor } from "./adjustments";
import { adjust, editTo, putItem } from "./edits";
import { FIELD_IDS, type FieldId, type ValueOf } from "./fields";
import { itemKey } from "./itemKey";
import { type ItemPreset } from "./itemPresets";
import { itemSourced } from "./itemsShown";
import { FIRST_LOOKS, type Item, MOST_ITEMS } from "./items";
import { inOrder } from "./patch";
import { membersInOrder, orderAt, orderBehind } from "./ordered";
import { type Promotion } from "./promotion";
import { freeId } from "./sceneIds";
import { Refusal } from "../refusal";

/**
 * Puts an item over a scene, above all others. Throws, naming the limit, when there would be too many.
 * @param isPlacedSo it stands where its preset says, whatever lies there
 */
export function addItem(
  document: Promotion,
  scene: string,
  { title, item, set }: ItemPreset,
  { isPlacedSo = false }: { readonly isPlacedSo?: boolean } = {},
): { readonly id: string; readonly edit: Edit } {
  const others = membersInOrder<string, Item>(document.items);
  if (others.length >= MOST_ITEMS) throw new Refusal(`A promotion has at most ${MOST_ITEMS} items.`);
  const id = freeId(item.kind, takenItemIds(document));
  const whole: Item = { ...item, order: orderAt(others, others.length), from: scene, to: scene };
  const wanted = set.at ?? FIRST_LOOKS[item.kind].at;
  const at = isPlacedSo ? wanted : freePlace(document, scene, wanted);
  const moved = at === wanted ? set : { ...set, at };
  const settings = FIELD_IDS.flatMap((field) => setting(id, field, moved[field]));
  return { id, edit: together(`Add: ${title}`, [putItem(id, whole), ...settings]) };
}

/** So near to each other two would be taken for one. */
const TOO_NEAR = 0.08;
const ASIDE = 0.24;

/** Where an item may stand so that it does not lie on another of its scene: as wanted, else further down, or up where that ends. */
function freePlace(document: Promotion, scene: string, wanted: Point): Point {
  const taken = Object.entries(document.items)
    .filter(([, item]) => item.from === scene)
    .map(([itemId, item]) => itemSourced(document, "at", { itemId, item, format: null }).value);
  const isFree = ({ x, y }: Point): boolean => !taken.some((one) => Math.hypot(one.x - x, one.y - y) < TOO_NEAR);
  const places = [0, 1, 2, 3, 4, -1, -2, -3, -4].map((steps) => ({
    x: wanted.x,
    y: Math.round((wanted.y + steps * ASIDE) * 100) / 100,
  }));
  if (isFree(wanted)) return wanted;
  return places.find((place) => place.y > 0.05 && place.y < 0.95 && isFree(place)) ?? wanted;
}

const setting = <Id extends FieldId>(item: string, id: Id, value: ValueOf<Id> | undefined): Edit[] =>
  value === undefined ? [] : [adjust(id, value, { target: { item } })];

/** Moves an item up (1) or down (-1) among those it lies over or under. Null where it is the last there already. */
export function restackItem({ items }: Promotion, id: string, by: 1 | -1): Edit | null {
  const all = membersInOrder<string, Item>(items);
  const [at, item] = [all.findIndex((one) => one.id === id), items[id]];
  if (!item || at + by < 0 || at + by >= all.length) return null;
  const others = all.filter((one) => one.id !== id);
  return { ...putItem(id, { ...item, order: orderAt(others, at + by) }), label: "Order of items" };
}

/** An item of the same kind at the same time with all that is set for it. */
export function repeatItem(document: Promotion, id: string): { readonly id: string; readonly edit: Edit } | null {
  const item = document.items[id];
  if (!item) return null;
  const copy = freeId(id, takenItemIds(document));
  const set = Object.entries(document.adjustments).flatMap(([key, adjustment]) =>
    keysFor(document.adjustments, { item: id }).includes(key)
      ? [[key.replace(itemKey(id), itemKey(copy)), adjustment] as const]
      : [],
  );
  const after: Promotion = {
    ...document,
    items: inOrder({ ...document.items, [copy]: { ...item, order: orderBehind(document.items) } }),
    adjustments: inOrder({ ...document.adjustments, ...Object.fromEntries(set) }),
  };
  return { id: copy, edit: editTo(document, after, "Repeat") };
}

/**
 * Puts an item where its place was dragged to: everywhere, or in one format alone where it has a place of its own there.
 * @param from its place as it was taken hold of, in design units of the format
 * @param to as it was let go
 */
export function placeItem(
  document: Promotion,
  id: string,
  { format, from, to }: { readonly format: FormatName; readonly from: Rect; readonly to: Rect },
): Edit | null {
  const item = document.items[id];
  if (!item) return null;
  const at = { itemId: id, item, format };
  const where = itemSourced(document, "at", at);
  const isOwn = where.layer === "scene@format";
  const layer = isOwn ? { layer: "scene@format" as const, format } : {};
  const target = { item: id };
  const wide = grownBy(from.width, to.width);
  const high = grownBy(from.height, to.height);
  const { hasHeight } = FIRST_LOOKS[item.kind];
  const grown = hasHeight ? wide : grownAsPulled(from, to);
  const edits = [adjust("at", movedPoint(where.value, { format, from, to }), { target, ...layer })];
  if (Math.abs(grown - 1) > 1e-6)
    edits.push(adjust("size", within(0.02, 2, itemSourced(document, "size", at).value * grown), { target, ...layer }));
  if (hasHeight && Math.abs(high / wide - 1) > 1e-6)
    edits.push(
      adjust("tall", within(0.005, 4, (itemSourced(document, "tall", at).value * high) / wide), { target, ...layer }),
    );
  return together("Place", edits);
}

/** Where an item stands, in shares, after its place went from one to another, in design units of a format. */
export function movedPoint(
  at: Point,
  { format, from, to }: { readonly format: FormatName; readonly from: Rect; readonly to: Rect },
): Point {
  const { width, height } = formatOf(format);
  const [before, after] = [centreOf(from), centreOf(to)];
  return {
    x: within(0, 1, at.x + (after.x - before.x) / width),
    y: within(0, 1, at.y + (after.y - before.y) / height),
  };
}

/** How many times as long a side was pulled. Places are kept to half a unit: less than one is no pull. */
const grownBy = (from: number, to: number): number => (Math.abs(to - from) < 1 ? 1 : to / Math.max(1, from));

/** How many times as large something was pulled whose proportions stay: it follows the side that was pulled further. */
export function grownAsPulled(from: Rect, to: Rect): number {
  const [wide, high] = [grownBy(from.width, to.width), grownBy(from.height, to.height)];
  return Math.abs(wide - 1) > Math.abs(high - 1) ? wide : high;
}

/** To a ten-thousandth: nothing finer is seen. */
const within = (least: number, most: number, value: number): number =>
  Math.round(Math.min(most, Math.max(least, value)) * 1e4) / 1e4;
