import { type ArrangementOf } from "../document/arrangements";
import { type Rect, bottom, rect, right, wholeOf } from "../geometry/rect";
import { type Content, type Layout, type WordsColumn } from "./layout";
import { cutInTwo, roomIn, stanceOf, steps } from "./shape";

/** When the wipe begins, rests half way so that both are seen, goes on and ends; as shares of the scene's length. */
export const WIPE = { begins: 0.16, rests: 0.4, goesOn: 0.7, ends: 0.86 } as const;

/** Two pictures in one place; the second wipes over the first and rests half way. Labels say which is which. */
export function layBeforeAfter(
  { way }: ArrangementOf<"before-after">,
  { shape, ground, entries, pictures }: Content,
): Layout {
  const labels = entries.filter(({ role }) => role === "label");
  const words = entries.filter(({ role }) => role !== "label");
  const lying = stanceOf(shape) === "lying";
  const [picture, panel] = words.length === 0 ? [wholeOf(shape), null] : split(shape, lying);
  const room = roomIn(shape, picture, steps(3));
  const columns: WordsColumn[] = labels.slice(0, 2).map((label, index) => ({
    area: labelArea(room, index, way),
    // What is wiped away takes its label with it.
    entries: [
      {
        ...label,
        look: "plate",
        ...(index === 0 && pictures.length > 1 ? { until: WIPE.goesOn } : {}),
        ...(index === 1 ? { later: WIPE.begins } : {}),
      },
    ],
    align: way === "across" && index === 0 ? "end" : "start",
    anchor: "middle",
    gap: 0,
    on: { kind: "ground", role: "card" },
  }));
  if (panel)
    columns.push({
      area: roomIn(shape, panel),
      entries: words,
      align: "start",
      anchor: "middle",
      gap: steps(3),
      on: { kind: "ground", role: ground },
    });
  return {
    grounds: panel ? [{ place: panel, ink: ground }] : [],
    pictures: pictures
      .slice(0, 2)
      .map((_, index) => ({ index, place: picture, drift: "none", ...(index === 1 ? { wipes: way } : {}) })),
    rules: panel
      ? [
          {
            place: lying
              ? rect(panel.x + panel.width - steps(1), 0, steps(1), panel.height)
              : rect(0, panel.y, panel.width, steps(1)),
            ink: "accent",
          },
        ]
      : [],
    columns,
    logo: null,
  };
}

function split(shape: Content["shape"], lying: boolean): readonly [picture: Rect, panel: Rect] {
  if (lying) {
    const [panel, picture] = cutInTwo(shape, true, 0.36);
    return [picture, panel];
  }
  return cutInTwo(shape, false, 0.66);
}

const LABEL_HEIGHT = steps(7);

/** Before stands where it is covered last, after where it is uncovered first. */
function labelArea(room: Rect, index: number, way: "across" | "down"): Rect {
  const width = room.width / 2 - steps(1);
  if (way === "across")
    return rect(index === 0 ? right(room) - width : room.x, bottom(room) - LABEL_HEIGHT, width, LABEL_HEIGHT);
  return rect(room.x, index === 0 ? bottom(room) - LABEL_HEIGHT : room.y, width, LABEL_HEIGHT);
}
