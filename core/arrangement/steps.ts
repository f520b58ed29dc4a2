import { type ArrangementOf } from "../document/arrangements";
import { type Rect, bottom, rect, wholeOf } from "../geometry/rect";
import { type Content, type Entry, type Layout, type WordsColumn } from "./layout";
import { cutEvenly, cutInTwo, middleOf, ornamentIn, roomIn, stanceOf, steps as rhythm } from "./shape";

const NUMBER_WIDTH = rhythm(9);
const GAP = rhythm(3);
/** The scene's share between one step's arrival and the next. */
const BETWEEN = 0.11;

/** Numbered steps: one below the other, or beside each other where a lying shape has no picture. They arrive in turn. */
export function laySteps({ numbered }: ArrangementOf<"steps">, { shape, ground, entries, pictures }: Content): Layout {
  const said = entries.filter(({ role }) => role === "step");
  const heading = entries.filter(({ role }) => role !== "step");
  const stance = stanceOf(shape);
  const lying = stance === "lying";
  const hasPicture = pictures.length > 0;
  const [picture, panel] = hasPicture ? cutInTwo(shape, lying, lying ? 0.4 : 0.32) : [null, wholeOf(shape)];
  const beside = lying && !hasPicture && said.length > 1;
  const rowHeight = rhythm(stance === "standing" ? 17 : 14);
  const headMost = heading.length === 0 ? 0 : rhythm(stance === "standing" ? 22 : 18) * Math.min(2, heading.length);
  // Heading and rows stay together in the middle, however few they are.
  const wanted =
    headMost +
    (headMost > 0 ? GAP : 0) +
    (beside ? rhythm(30) : said.length * rowHeight + Math.max(0, said.length - 1) * GAP);
  const room = middleOf(roomIn(shape, panel), wanted);
  const headHeight = Math.min(headMost, Math.round(room.height * 0.34));
  const top = room.y + headHeight + (headHeight > 0 ? GAP : 0);
  const body = rect(room.x, top, room.width, Math.max(1, bottom(room) - top));
  const on = { kind: "ground", role: ground } as const;
  const columns: WordsColumn[] =
    heading.length > 0
      ? [
          {
            area: rect(room.x, room.y, room.width, headHeight),
            entries: heading,
            align: "start",
            anchor: "bottom",
            gap: rhythm(2),
            on,
          },
        ]
      : [];
  cutEvenly(
    body,
    Math.max(1, said.length),
    beside ? rhythm(5) : Math.min(GAP, body.height / (said.length * 6 + 1)),
    beside,
  ).forEach((place, index) => {
    const entry = said[index];
    if (entry) columns.push(...stepColumns(entry, index, place, numbered, beside, on));
  });
  return {
    grounds: [{ place: panel, ink: ground }],
    pictures: picture ? [{ index: 0, place: picture, drift: "in" }] : [],
    rules: [],
    ...(hasPicture ? {} : { ornament: ornamentIn(shape) }),
    columns,
    logo: null,
  };
}

function stepColumns(
  entry: Entry,
  index: number,
  place: Rect,
  numbered: boolean,
  beside: boolean,
  on: WordsColumn["on"],
): WordsColumn[] {
  const later = index * BETWEEN;
  const number: Entry = {
    id: `number-${index + 1}`,
    key: entry.key,
    role: "number",
    text: String(index + 1),
    look: "accent",
    share: 1,
    later,
    group: "numbers",
  };
  const step: Entry = { ...entry, later, group: "steps" };
  const anchor = beside ? "top" : "middle";
  const column = (area: Rect, own: Entry): WordsColumn => ({
    area,
    entries: [own],
    align: "start",
    anchor,
    gap: 0,
    on,
  });
  if (!numbered) return [column(place, step)];
  if (beside)
    return [
      column(rect(place.x, place.y, place.width, rhythm(8)), number),
      column(rect(place.x, place.y + rhythm(10), place.width, Math.max(1, place.height - rhythm(10))), step),
    ];
  return [
    column(rect(place.x, place.y, NUMBER_WIDTH - rhythm(1), place.height), number),
    column(rect(place.x + NUMBER_WIDTH, place.y, place.width - NUMBER_WIDTH, place.height), step),
  ];
}
