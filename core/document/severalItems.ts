import { type Rect } from "../geometry/rect";
import { type FormatName } from "../placement/formats";
import { type Edit, together } from "./edit";
import { formatsInOrder } from "./formatList";
import { adjust } from "./edits";
import { movedPoint } from "./itemEdits";
import { itemSourced } from "./itemsShown";
import { same } from "./patch";
import { type Promotion } from "./promotion";

/** Where some items stand in a format, in design units, in the order of their ids. */
export interface PlacesIn {
  readonly format: FormatName;
  readonly places: readonly Rect[];
}

/** How several items are moved at once. */
export interface Arranging {
  readonly label: string;
  /** Gives where they are to stand, in the same order; their sizes stay. */
  readonly change: (places: readonly Rect[]) => readonly Rect[];
}

/** Moves several items at once, in each format by itself: what is in line in one shape need not be in another. Null where nothing moves. */
export function arrangeItems(
  document: Promotion,
  ids: readonly string[],
  formats: readonly PlacesIn[],
  { label, change }: Arranging,
): Edit | null {
  const edits = formats.flatMap(({ format, places }) => {
    const after = change(places);
    return ids.flatMap((id, at): Edit[] => {
      const item = document.items[id];
      const [from, to] = [places[at], after[at]];
      if (!item || !from || !to) return [];
      const { value } = itemSourced(document, "at", { itemId: id, item, format });
      const point = movedPoint(value, { format, from, to });
      return same(point, movedPoint(value, { format, from, to: from }))
        ? []
        : [adjust("at", point, { target: { item: id }, layer: "scene@format", format })];
    });
  });
  return edits.length > 0 ? together(label, edits) : null;
}

/** Gives several items the size of the first of them, in each format the one it has there. Null where they have it. */
export function equalSizes(document: Promotion, ids: readonly string[]): Edit | null {
  const [first = "", ...others] = ids;
  const sizeIn = (id: string, format: FormatName | null) => {
    const item = document.items[id];
    return item ? itemSourced(document, "size", { itemId: id, item, format }) : null;
  };
  const formats = formatsInOrder(document);
  const edits = others.flatMap((id): Edit[] => {
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
  return edits.length > 0 ? together("The same size", edits) : null;
}
