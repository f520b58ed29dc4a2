import { type FormatName } from "../placement/formats";
import { type SceneSpan } from "../time/timeline";
import { ticksOf } from "../time/ticks";
import { type Span, type Track } from "../time/tracks";
import { type Found, nearest } from "./adjustments";
import { FIELDS, ITEM_FIELD_IDS, type ItemFieldId, type ValueOf } from "./fields";
import { type Item } from "./items";
import { membersInOrder } from "./ordered";
import { type Promotion } from "./promotion";

/** The fields of an item that say how it looks, with their values. */
export type ItemValues = { readonly [Id in Exclude<ItemFieldId, "starts" | "ends">]: ValueOf<Id> };

const LOOKS = ITEM_FIELD_IDS.filter((id): id is keyof ItemValues => id !== "starts" && id !== "ends");

/** An item as it is shown in a format. */
export interface ShownItem {
  readonly id: string;
  readonly item: Item;
  readonly values: ItemValues;
}

/** An item's value with its source: the nearest layer in which it was set, else what its kind has. */
export function itemSourced<Id extends ItemFieldId>(
  { adjustments }: Pick<Promotion, "adjustments">,
  id: Id,
  at: { readonly itemId: string; readonly item: Item; readonly format: FormatName | null },
): Found<ValueOf<Id>> | { readonly value: ValueOf<Id>; readonly layer: "kind" } {
  const found = nearest(adjustments, id, { target: { item: at.itemId }, format: at.format, isLocked: false });
  // Each entry of the registry gives values of its own field.
  return found ?? { value: FIELDS[id].from(at.item) as ValueOf<Id>, layer: "kind" };
}

/**
 * When the items of a promotion are shown in a format, from the bottom up. One whose scenes were both taken out waits for
 * them; of one that lost a scene, the other counts.
 */
export function itemTrack(
  document: Promotion,
  spans: readonly (SceneSpan & { readonly id: string })[],
  format: FormatName | null,
): Track<ShownItem> {
  return membersInOrder<string, Item>(document.items).flatMap(({ id }): Span<ShownItem>[] => {
    const item = document.items[id];
    const own = spans.filter((span) => span.id === item?.from || span.id === item?.to);
    const [first, last] = [own[0], own.at(-1)];
    if (!item || !first || !last) return [];
    const value = <Id extends ItemFieldId>(field: Id): ValueOf<Id> =>
      itemSourced(document, field, { itemId: id, item, format }).value;
    const span = { from: ticksOf(first.start + value("starts")), to: ticksOf(last.end - value("ends")) };
    // Each field of looks with its own value.
    const values = Object.fromEntries(LOOKS.map((look) => [look, value(look)])) as ItemValues;
    return span.to > span.from ? [{ ...span, what: { id, item, values } }] : [];
  });
}
