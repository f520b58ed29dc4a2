import { type Backdrop, type Entry, type Ground, type Layout, type WordsColumn } from "../arrangement/layout";
import { type ColorRole } from "../color/palette";
import { type MediaSlot, type SlotKey } from "../document/sceneTemplate";
import { type Rect, contains, rect } from "../geometry/rect";

/** Where things were set by hand in a format. */
export interface HandPlaces {
  /** By slot id. */
  readonly slots: Readonly<Record<string, Rect>>;
  readonly logo?: Rect | undefined;
}

/**
 * A layout with the places that were set by hand: each thing moved stands in a column of its own, and a logo stands still.
 * @param pictureSlots the slots of the layout's pictures, by index
 * @param under what shows where a picture was moved away
 */
export function placedByHand(
  layout: Layout,
  places: HandPlaces,
  pictureSlots: readonly MediaSlot[],
  under: Ground,
): Layout {
  const moved = withSlotsPlaced(layout, places.slots, pictureSlots, under);
  return places.logo ? withLogoPlaced(moved, places.logo) : moved;
}

/** Where an arrangement has a logo, be it among its words. */
function withLogoPlaced(layout: Layout, box: Rect): Layout {
  if (!layout.logo && !layout.columns.some(({ entries }) => entries.some(isLogo))) return layout;
  const under = underMiddle(layout, box);
  return {
    ...layout,
    columns: layout.columns.map((column) => ({ ...column, entries: column.entries.filter((one) => !isLogo(one)) })),
    logo: { box, on: under?.kind === "ground" ? under.role : null, align: "centre", anchor: "middle" },
  };
}

const isLogo = ({ look }: Entry): boolean => look === "logo";

function withSlotsPlaced(
  layout: Layout,
  places: HandPlaces["slots"],
  pictureSlots: readonly MediaSlot[],
  under: Ground,
): Layout {
  if (Object.keys(places).length === 0) return layout;
  const placeOf = (key: SlotKey): Rect | undefined => places[key.slice(key.indexOf(".") + 1)];
  const pictures = layout.pictures.map((placed) => {
    const place = places[pictureSlots[placed.index]?.id ?? ""];
    return place && !placed.blurred ? { ...placed, place } : placed;
  });
  const uncovered = pictures.some((placed, index) => placed !== layout.pictures[index]);
  const grounds = uncovered ? [under, ...layout.grounds] : layout.grounds;
  const bare = { ...layout, grounds, pictures };
  const staying = layout.columns.map((column) => ({
    ...column,
    entries: column.entries.filter(({ key }) => !placeOf(key)),
    on: uncovered ? backdropAt(bare, column.area, column.on) : column.on,
  }));
  const moved = [...new Set(layout.columns.flatMap(({ entries }) => entries.map(({ key }) => key)))].flatMap((key) => {
    const place = placeOf(key);
    return place ? [movedColumn(key, place, layout.columns, (before) => backdropAt(bare, place, before))] : [];
  });
  return { ...bare, columns: [...staying, ...moved] };
}

/** All entries of a slot in a column of their own, set as most of them were. */
function movedColumn(
  key: Entry["key"],
  place: Rect,
  columns: readonly WordsColumn[],
  on: (before: Backdrop) => Backdrop,
): WordsColumn {
  const parts = columns.map((column) => ({ column, own: column.entries.filter((entry) => entry.key === key) }));
  const most = parts.reduce((best, one) => (one.own.length > best.own.length ? one : best));
  return {
    ...most.column,
    entries: parts.flatMap(({ own }) => own),
    area: place,
    anchor: "top",
    on: on(most.column.on),
  };
}

/** What words stand on. */
function backdropAt(layout: Layout, place: Rect, before: Backdrop): Backdrop {
  const under = underMiddle(layout, place);
  if (under?.kind !== "picture") return under ?? before;
  const { picture } = under;
  return before.kind === "picture" && before.picture === picture
    ? before
    : { kind: "picture", picture, backing: "auto", shaded: "band", leastShade: 0 };
}

interface PictureUnder {
  readonly kind: "picture";
  readonly picture: number;
}
interface GroundUnder {
  readonly kind: "ground";
  readonly role: ColorRole;
}
type Under = PictureUnder | GroundUnder;

/** Whatever was placed last under the middle of a place; null where that is no picture and no ground of one colour. */
function underMiddle(layout: Layout, place: Rect): Under | null {
  const middle = rect(place.x + place.width / 2, place.y + place.height / 2, 0, 0);
  const picture = layout.pictures.findLastIndex((placed) => contains(placed.place, middle));
  if (picture >= 0) return { kind: "picture", picture };
  const ground = [...layout.grounds].reverse().find((one) => contains(one.place, middle));
  return ground && typeof ground.ink === "string" ? { kind: "ground", role: ground.ink } : null;
}
