import { type InkedJoin, type JoinEase } from "../document/joins";
import { scaling, translation } from "../geometry/affine";
import { type Point, type Rect, type Size, centreOf, rect } from "../geometry/rect";
import { type Easing, glide, leave, settle } from "../motion/easing";
import { formAround } from "../brand/forms";
import { type Outline, polygon } from "../type/outline";
import { type DisplayList, type DisplayNode } from "./displayList";

const EASES: Readonly<Record<JoinEase, Easing>> = {
  gentle: glide,
  even: (progress) => progress,
  "quick at first": settle,
  "quick at last": leave,
};

/** How far a scene that is flown through comes nearer. */
const NEARER = 0.6;
/** How blurred a scene is when the other has taken its place, in design units. */
const BLURREST = 32;
export interface Joining {
  readonly list: DisplayList;
  readonly coming: DisplayList;
  /** Of the time that both share, 0 to 1. */
  readonly time: number;
}

/**
 * Two things on screen at once, by the way in which the second comes in: scenes, or shots of a slot.
 * @param whole the place that both fill
 */
export function joinAt(whole: Rect, join: InkedJoin, { list, coming, time }: Joining): DisplayList {
  const progress = EASES[join.ease](Math.min(1, Math.max(0, time)));
  switch (join.kind) {
    case "crossfade":
      return [...list, { kind: "layer", alpha: progress, children: coming }];
    case "dip":
      return dipped(progress < 0.5 ? list : coming, whole, join.color, 1 - Math.abs(2 * progress - 1));
    case "wipe":
      return progress <= 0 ? list : [...list, wiped(coming, whole, join.angle, progress)];
    case "reveal":
      return progress <= 0 ? list : [...list, revealed(coming, formAround(join.form, whole, progress))];
    case "push": {
      const by = onWhole(whole, turned(LEFT, quarters(join.angle)), progress);
      const from = onWhole(whole, turned(LEFT, quarters(join.angle)), 1);
      return [moved(list, by), moved(coming, { x: by.x - from.x, y: by.y - from.y })];
    }
    case "slide": {
      const from = onWhole(whole, turned(LEFT, quarters(join.angle)), 1);
      const by = onWhole(whole, turned(LEFT, quarters(join.angle)), progress);
      return [...list, moved(coming, { x: by.x - from.x, y: by.y - from.y })];
    }
    case "blur":
      return [...blurred(list, progress), { kind: "layer", alpha: progress, children: blurred(coming, 1 - progress) }];
    case "sweep":
      return swept({ list, coming }, whole, join, progress);
    case "zoom":
      return [
        ...coming,
        { kind: "layer", alpha: 1 - progress, children: [nearer(list, whole, 1 + NEARER * progress)] },
      ];
  }
}

const LEFT: Point = { x: -1, y: 0 };
const RIGHT: Point = { x: 1, y: 0 };

/** A direction turned clockwise by an angle in degrees. Quarters come out exactly. */
function turned({ x, y }: Point, angle: number): Point {
  const radians = (angle * Math.PI) / 180;
  const [sine, cosine] = [exact(Math.sin(radians)), exact(Math.cos(radians))];
  return { x: x * cosine - y * sine, y: x * sine + y * cosine };
}
const exact = (value: number): number =>
  Math.abs(value) < 1e-12 ? 0 : Math.abs(Math.abs(value) - 1) < 1e-12 ? Math.sign(value) : value;
const quarters = (angle: number): number => Math.round(angle / 90) * 90;

/** A way across the frame, on whole units, so that scenes that share an edge meet there. */
const onWhole = ({ width, height }: Size, { x, y }: Point, progress: number): Point => ({
  x: Math.round(x * width * progress) + 0,
  y: Math.round(y * height * progress) + 0,
});

const moved = (children: DisplayList, { x, y }: Point): DisplayNode => ({
  kind: "transformed",
  alpha: 1,
  map: translation(x, y),
  whole: true,
  children,
});

function nearer(children: DisplayList, whole: Rect, scale: number): DisplayNode {
  const map = scaling(scale, scale, centreOf(whole));
  return { kind: "transformed", alpha: 1, map, children };
}

/** A scene that is blurred, over itself: at the frame's edges a blur would let black in. */
function blurred(list: DisplayList, share: number): DisplayList {
  const blur = BLURREST * share;
  return blur > 0 ? [...list, { kind: "layer", alpha: 1, blur, children: list }] : list;
}

/** A scene under a colour: never both scenes at once. */
const dipped = (list: DisplayList, place: Rect, ink: string, alpha: number): DisplayList => [
  ...list,
  { kind: "layer", alpha, children: [{ kind: "fill", place, ink }] },
];

/** What a straight edge that crosses the frame has passed. @param angle of its way, in degrees clockwise from rightwards */
function wiped(children: DisplayList, whole: Rect, angle: number, progress: number): DisplayNode {
  const way = turned(RIGHT, angle);
  if (way.y === 0 || way.x === 0) return { kind: "clipped", place: passed(whole, way, progress), children };
  const corners = [whole.x, whole.x + whole.width].flatMap((x) => [
    { x, y: whole.y },
    { x, y: whole.y + whole.height },
  ]);
  const along = corners.map(({ x, y }) => x * way.x + y * way.y);
  const [first, last] = [Math.min(...along), Math.max(...along)];
  const edge = first + (last - first) * progress;
  const wide = Math.abs(whole.x) + Math.abs(whole.y) + whole.width + whole.height;
  const at = (onWay: number, beside: number): number[] => [
    way.x * onWay - way.y * beside,
    way.y * onWay + way.x * beside,
  ];
  const outline = polygon(...at(first - 1, -wide), ...at(edge, -wide), ...at(edge, wide), ...at(first - 1, wide));
  return { kind: "layer", alpha: 1, mask: { kind: "outline", outline, at: { x: 0, y: 0 } }, children };
}

/** What of the whole an edge has passed that goes straight across or down it. */
function passed({ x, y, width, height }: Rect, way: Point, progress: number): Rect {
  const [wide, high] = [way.x === 0 ? width : width * progress, way.y === 0 ? height : height * progress];
  return rect(x + (way.x < 0 ? width - wide : 0), y + (way.y < 0 ? height - high : 0), wide, high);
}

/** What lies inside an outline. */
const revealed = (children: DisplayList, outline: Outline): DisplayNode => ({
  kind: "layer",
  alpha: 1,
  mask: { kind: "outline", outline, at: { x: 0, y: 0 } },
  children,
});

/** A page in a colour covers the one scene and uncovers the other, on its way across. */
function swept(
  { list, coming }: Pick<Joining, "list" | "coming">,
  whole: Rect,
  { angle, color }: InkedJoin,
  progress: number,
): DisplayList {
  const way = turned(RIGHT, quarters(angle));
  const isCovering = progress < 0.5;
  const place = isCovering
    ? passed(whole, way, progress * 2)
    : passed(whole, { x: -way.x + 0, y: -way.y + 0 }, 2 - progress * 2);
  const page: DisplayNode = { kind: "fill", place, ink: color };
  return [...(isCovering ? list : coming), ...(place.width > 0 && place.height > 0 ? [page] : [])];
}
