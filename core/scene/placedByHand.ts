import { type Backdrop, type Entry, type Ground, type Layout, type WordsColumn } from "../arrangement/layout";
import { type MediaSlot, type SlotKey } from "../document/template";
import { type Rect, contains, rect } from "../geometry/rect";

/**
 * A layout with the places that were set by hand, by slot id: each thing moved stands in a column of its own.
 * @param pictureSlots the slots of the layout's pictures, by index
 * @param under what shows where a picture was moved away
 */
export function placedByHand(layout: Layout, places: Readonly<Record<string, Rect>> | undefined, pictureSlots: readonly MediaSlot[], under: Ground): Layout {
  if (!places || Object.keys(places).length === 0) return layout;
  const placeOf = (key: SlotKey): Rect | undefined => places[key.slice(key.indexOf(".") + 1)];
  const pictures = layout.pictures.map((placed) => {
    const place = places[pictureSlots[placed.index]?.id ?? ""];
    return place && !placed.blurred ? { ...placed, place } : placed;
  });
  const uncovered = pictures.some((placed, index) => placed !== layout.pictures[index]);
  const grounds = uncovered ? [under, ...layout.grounds] : layout.grounds;
  const bare = { ...layout, grounds, pictures };
  const moved = new Map<Entry["key"], { column: WordsColumn; entries: Entry[] }>();
  const columns = layout.columns.map((column) => {
    const staying = column.entries.filter((entry) => {
      const place = placeOf(entry.key);
      if (!place) return true;
      const own = moved.get(entry.key) ?? { column: { ...column, area: place, anchor: "top", on: backdropAt(bare, place, column.on) }, entries: [] };
      moved.set(entry.key, { ...own, entries: [...own.entries, entry] });
      return false;
    });
    return { ...column, entries: staying, on: uncovered ? backdropAt(bare, column.area, column.on) : column.on };
  });
  return { ...bare, columns: [...columns, ...[...moved.values()].map(({ column, entries }) => ({ ...column, entries }))] };
}

/** What words stand on: whatever was placed last under the middle of their place. */
function backdropAt(layout: Layout, place: Rect, before: Backdrop): Backdrop {
  const middle = rect(place.x + place.width / 2, place.y + place.height / 2, 0, 0);
  const picture = layout.pictures.findLastIndex((placed) => contains(placed.place, middle));
  if (picture >= 0) return before.kind === "picture" && before.picture === picture ? before : { kind: "picture", picture, backing: "auto", shaded: "band", leastShade: 0 };
  const ground = [...layout.grounds].reverse().find((one) => contains(one.place, middle));
  return ground && typeof ground.ink === "string" ? { kind: "ground", role: ground.ink } : before;
}
