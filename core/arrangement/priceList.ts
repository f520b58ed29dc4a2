import { type ArrangementOf } from "../document/arrangements";
import { type Rect, bottom, rect, right, wholeOf } from "../geometry/rect";
import { type Content, type Entry, type Layout, type Rule, type WordsColumn } from "./layout";
import { cutEvenly, cutInTwo, middleOf, ornamentIn, roomIn, stanceOf, steps } from "./shape";

const PRICE_SHARE = 0.28;
const BETWEEN = 0.06;

/** Rows of names and prices; the prices stand in line at the end. A picture beside or above when there is one. */
export function layPriceList(
  { leaders }: ArrangementOf<"price-list">,
  { shape, ground, entries, pictures, rows }: Content,
): Layout {
  const lying = stanceOf(shape) === "lying";
  const hasPicture = pictures.length > 0;
  const [picture, panel] = hasPicture ? cutInTwo(shape, lying, lying ? 0.38 : 0.3) : [null, wholeOf(shape)];
  const standing = stanceOf(shape) === "standing";
  const headMost = entries.length === 0 ? 0 : steps(standing ? 22 : 17) * Math.min(2, entries.length);
  // Heading and rows stay together in the middle, however few they are.
  const room = middleOf(
    roomIn(shape, panel),
    headMost + (headMost > 0 ? steps(3) : 0) + rows.length * steps(standing ? 13 : 11),
  );
  const headHeight = Math.min(headMost, Math.round(room.height * 0.32));
  const top = room.y + headHeight + (headHeight > 0 ? steps(3) : 0);
  const list = rect(room.x, top, room.width, Math.max(1, bottom(room) - top));
  const on = { kind: "ground", role: ground } as const;
  const places = rows.length > 0 ? cutEvenly(list, rows.length, 0, false) : [];
  const columns: WordsColumn[] =
    entries.length > 0
      ? [
          {
            area: rect(room.x, room.y, room.width, headHeight),
            entries,
            align: "start",
            anchor: "bottom",
            gap: steps(2),
            on,
          },
        ]
      : [];
  rows.forEach((row, index) => {
    const place = places[index];
    if (place) columns.push(...rowColumns(row, index, place, on));
  });
  return {
    grounds: [{ place: panel, ink: ground }],
    pictures: picture ? [{ index: 0, place: picture, drift: "in" }] : [],
    rules: leaders
      ? places.map((place): Rule => ({
          place: rect(place.x, bottom(place) - 3, place.width, 3),
          ink: "accent",
          dotted: true,
        }))
      : [],
    ...(hasPicture ? {} : { ornament: ornamentIn(shape) }),
    columns,
    logo: null,
  };
}

function rowColumns(
  { key, name, price }: Content["rows"][number],
  index: number,
  place: Rect,
  on: WordsColumn["on"],
): WordsColumn[] {
  const later = index * BETWEEN;
  const inside = rect(place.x, place.y + steps(1), place.width, place.height - steps(2));
  const priceWidth = Math.round(place.width * PRICE_SHARE);
  const entry = (id: string, role: Entry["role"], text: string, look: Entry["look"]): Entry => ({
    id: `${id}-${index + 1}`,
    key,
    role,
    text,
    look,
    share: 1,
    later,
    group: role,
  });
  return [
    {
      area: rect(inside.x, inside.y, inside.width - priceWidth - steps(2), inside.height),
      entries: [entry("name", "row-name", name, "plain")],
      align: "start",
      anchor: "middle",
      gap: 0,
      on,
    },
    {
      area: rect(right(inside) - priceWidth, inside.y, priceWidth, inside.height),
      entries: price === "" ? [] : [entry("price", "row-price", price, "strong")],
      align: "end",
      anchor: "middle",
      gap: 0,
      on,
    },
  ];
}
