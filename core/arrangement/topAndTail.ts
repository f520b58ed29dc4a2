import { type ArrangementOf } from "../document/arrangements";
import { containPlace } from "../geometry/framing";
import { type Rect, type Size, bottom, rect, right, wholeOf } from "../geometry/rect";
import { type Shape, safeArea } from "../placement/formats";
import { type Backdrop, type Content, type Entry, type Layout, type PlacedPicture } from "./layout";
import { roomIn, stanceOf, steps } from "./shape";

/** The least height of a band's words. */
const HEAD = steps(12);
const TAIL = steps(11);
/** The part of a lying shape that its words get. */
const WORDS_SHARE = 0.36;
const TRUE_SHAPE: Size = { width: 16, height: 9 };

const HEADING_ROLES: readonly string[] = ["headline", "name", "figure"];

/** A heading that stays, the picture whole at its true shape, and a line that changes. Nothing of the picture is lost. */
export function layTopAndTail({ bars }: ArrangementOf<"top-and-tail">, { shape, ground, entries, pictures }: Content): Layout {
  const lying = stanceOf(shape) === "lying";
  const picture = pictures[0] ?? TRUE_SHAPE;
  const place = lying ? besideWords(shape, picture) : betweenBands(shape, picture);
  const heading = entries.filter(({ role }) => HEADING_ROLES.includes(role));
  const tail = entries.filter((entry) => !heading.includes(entry));
  const [head, foot] = lying ? columnHalves(shape, place, tail) : bands(shape, place);
  const blurred: PlacedPicture[] = bars === "blur" ? [{ index: 0, place: wholeOf(shape), drift: "none", blurred: true }] : [];
  const on: Backdrop = bars === "blur" ? { kind: "picture", picture: 0, backing: "blur", shaded: wholeOf(shape), leastShade: 0.3 } : { kind: "ground", role: ground };
  const align = lying ? "start" : "centre";
  return {
    grounds: [{ place: wholeOf(shape), ink: bars === "gradient" ? { from: ground, to: ground === "primary" ? "ink" : "primary", way: lying ? "across" : "down" } : ground }],
    pictures: [...blurred, { index: 0, place, drift: "none" }],
    rules: [],
    columns: [
      { area: head, entries: heading, align, anchor: lying ? "top" : "middle", gap: steps(1), on, stays: true },
      { area: foot, entries: tail, align, anchor: lying ? "bottom" : "middle", gap: steps(1), on },
    ],
    logo: null,
  };
}

/** The picture across the whole width, in the middle of the frame or as near to it as the bands' words allow. */
function betweenBands(shape: Shape, picture: Size): Rect {
  const safe = safeArea(shape);
  const above = safe.y + HEAD + steps(2);
  const below = shape.height - bottom(safe) + TAIL + steps(2);
  const inside = containPlace(picture, rect(0, above, shape.width, shape.height - above - below));
  const middle = (shape.height - inside.height) / 2;
  return { ...inside, y: Math.min(shape.height - below - inside.height, Math.max(above, middle)) };
}

function besideWords(shape: Shape, picture: Size): Rect {
  const words = Math.round(shape.width * WORDS_SHARE);
  const inside = containPlace(picture, rect(words, 0, shape.width - words, shape.height));
  return { ...inside, x: shape.width - inside.width };
}

const bands = (shape: Shape, picture: Rect): readonly [head: Rect, foot: Rect] => [
  roomIn(shape, rect(0, 0, shape.width, picture.y), steps(2)),
  roomIn(shape, rect(0, bottom(picture), shape.width, shape.height - bottom(picture)), steps(2)),
];

/** Heading above, line below, in the column that the picture leaves. */
function columnHalves(shape: Shape, picture: Rect, tail: readonly Entry[]): readonly [head: Rect, foot: Rect] {
  const safe = safeArea(shape);
  const room = rect(safe.x, safe.y, Math.min(right(safe), picture.x - steps(4)) - safe.x, safe.height);
  const foot = tail.length === 0 ? 0 : Math.round(room.height * 0.46);
  return [rect(room.x, room.y, room.width, room.height - foot - (foot > 0 ? steps(3) : 0)), rect(room.x, bottom(room) - Math.max(1, foot), room.width, Math.max(1, foot))];
}
