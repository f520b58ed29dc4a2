import { type ArrangementOf } from "../document/arrangements";
import { containPlace } from "../geometry/framing";
import { type Rect, type Size, bottom, rect, right, wholeOf } from "../geometry/rect";
import { type Shape, safeArea } from "../placement/formats";
import { type Backdrop, type Content, type Layout, type PlacedPicture } from "./layout";
import { roomIn, stanceOf, steps } from "./shape";

/** The least height of a band's words. */
const HEAD = steps(12);
const TAIL = steps(11);
/** The part of a lying shape that its words get. */
const WORDS_SHARE = 0.36;
const TRUE_SHAPE: Size = { width: 16, height: 9 };

const HEADING_ROLES: readonly string[] = ["headline", "name", "figure"];

/**
 * A heading that stays, the picture whole at its true shape, and a line that changes. Nothing of the picture is lost, and
 * the bands are where they are whatever its shape, so that the heading stays the very same from scene to scene.
 */
export function layTopAndTail(
  { bars }: ArrangementOf<"top-and-tail">,
  { shape, ground, entries, pictures }: Content,
): Layout {
  const lying = stanceOf(shape) === "lying";
  const room = lying ? besideWords(shape) : betweenBands(shape);
  const place = wholeIn(room, shape, pictures[0] ?? TRUE_SHAPE);
  const heading = entries.filter(({ role }) => HEADING_ROLES.includes(role));
  const tail = entries.filter((entry) => !heading.includes(entry));
  const [head, foot] = lying ? columnHalves(shape, room) : bands(shape, room);
  const blurred: PlacedPicture[] =
    bars === "blur" ? [{ index: 0, place: wholeOf(shape), drift: "none", blurred: true }] : [];
  const on: Backdrop =
    bars === "blur"
      ? { kind: "picture", picture: 0, backing: "blur", shaded: wholeOf(shape), leastShade: 0.3 }
      : { kind: "ground", role: ground };
  const align = lying ? "start" : "centre";
  return {
    grounds: [
      {
        place: wholeOf(shape),
        ink:
          bars === "gradient"
            ? { from: ground, to: ground === "primary" ? "ink" : "primary", way: lying ? "across" : "down" }
            : ground,
      },
    ],
    pictures: [...blurred, { index: 0, place, drift: "none" }],
    rules: [],
    columns: [
      { area: head, entries: heading, align, anchor: lying ? "top" : "middle", gap: steps(1), on, stays: true },
      { area: foot, entries: tail, align, anchor: lying ? "bottom" : "middle", gap: steps(1), on },
    ],
    logo: null,
  };
}

/** The room of the picture, across the whole width: what the bands' words leave, and no higher than 4:3. */
function betweenBands(shape: Shape): Rect {
  const safe = safeArea(shape);
  const even = (shape.height - (shape.width * 3) / 4) / 2;
  const above = Math.max(even, safe.y + HEAD + steps(2));
  const below = Math.max(even, shape.height - bottom(safe) + TAIL + steps(2));
  return rect(0, above, shape.width, shape.height - above - below);
}

function besideWords(shape: Shape): Rect {
  const words = Math.round(shape.width * WORDS_SHARE);
  return rect(words, 0, shape.width - words, shape.height);
}

/** A picture whole in its room, in the middle of the frame's height or as near to it as the room allows. */
function wholeIn(room: Rect, shape: Shape, picture: Size): Rect {
  const inside = containPlace(picture, room);
  return { ...inside, y: Math.min(bottom(room) - inside.height, Math.max(room.y, (shape.height - inside.height) / 2)) };
}

const bands = (shape: Shape, room: Rect): readonly [head: Rect, foot: Rect] => [
  roomIn(shape, rect(0, 0, shape.width, room.y), steps(2)),
  roomIn(shape, rect(0, bottom(room), shape.width, shape.height - bottom(room)), steps(2)),
];

/** Heading above, line below, in the column beside the picture's room. */
function columnHalves(shape: Shape, picture: Rect): readonly [head: Rect, foot: Rect] {
  const safe = safeArea(shape);
  const room = rect(safe.x, safe.y, Math.min(right(safe), picture.x - steps(4)) - safe.x, safe.height);
  const foot = Math.round(room.height * 0.46);
  return [
    rect(room.x, room.y, room.width, room.height - foot - steps(3)),
    rect(room.x, bottom(room) - foot, room.width, foot),
  ];
}
