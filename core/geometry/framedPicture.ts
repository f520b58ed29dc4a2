import { type Affine, after, boundsOf, mapped, scaling, turning } from "./affine";
import { type FocalPoint, CENTRE, containPlace, coverPart } from "./framing";
import { areaOf, cutToRect } from "./polygon";
import {
  type Insets,
  type Point,
  type Rect,
  type Size,
  bottom,
  centreOf,
  contains,
  rect,
  right,
  wholeOf,
} from "./rect";

/** How a picture meets its place: it fills it, it is whole in it, whole over its own blur, or fills a strip of it. */
export const WAYS = ["fill", "whole", "over its blur", "strip"] as const;
export type Way = (typeof WAYS)[number];

/** How a picture is shown in a place. */
export interface Framing {
  readonly way: Way;
  /**
   * Where it is filled: the point of the picture that is kept as near the middle as its edges allow. Where it is whole: how
   * the room that it leaves is shared out, as `object-position` does. Both in shares; null for the usual one.
   */
  readonly point: Point | null;
  /** Times the size at which it just fills, or is just whole. At least 1. */
  readonly enlarged: number;
  /** Degrees, clockwise. */
  readonly turned: number;
  /** Left and right changed over, before it is turned. */
  readonly mirrored: boolean;
  /** The part of the picture that is used at all, in shares of it; null for all of it. */
  readonly window: Rect | null;
  /** Of a strip: its share of the place's longer side. */
  readonly strip: number;
}

export const PLAIN_FRAMING: Framing = {
  way: "fill",
  point: null,
  enlarged: 1,
  turned: 0,
  mirrored: false,
  window: null,
  strip: 0.5,
};

/** A picture as it is framed. */
export interface FramedPicture {
  /** What is drawn of it, in its own pixels, */
  readonly part: Rect;
  /** where that would lie if it were neither turned nor mirrored, */
  readonly place: Rect;
  /** how it lies in fact (null: just so), */
  readonly map: Affine | null;
  /** and where it can be seen (null: wherever it is drawn). */
  readonly clip: Rect | null;
  /** Design units a pixel, */
  readonly scale: number;
  /** and at the smallest while it zooms. */
  readonly leastScale: number;
  /** The share of the picture's area that is not seen, 0 to 1. */
  readonly lost: number;
  /** Where its subject is seen; null where it is cut away. */
  readonly subject: Point | null;
  /** How far what is seen of it stays from the place's edges. */
  readonly bars: Insets;
}

/** Beyond the place's edges on each side, where a picture is turned: else its own edge would be seen at the corners. */
const TURNED_BEYOND = 1;

/**
 * Frames a picture in a place. Nothing is ever stretched; what fills covers its place at every angle, with the least
 * enlargement that does.
 *
 * Fitting as `object-fit` and `object-position` of CSS Images 3. A turned rectangle lies within an upright one when the
 * upright box around it does: so a picture covers a turned place when it covers the box around the place as the picture
 * sees it, of |w·cos| + |h·sin| by |w·sin| + |h·cos|.
 *
 * @param focal the picture's subject, in shares @param zoom times the framing's own enlargement, 1 or more
 */
export function framedPicture(
  picture: Size,
  place: Rect,
  framing: Framing,
  { focal = CENTRE, zoom = 1 }: { readonly focal?: FocalPoint; readonly zoom?: number } = {},
): FramedPicture {
  const { way, turned, mirrored } = framing;
  const used = usedPart(picture, framing.window);
  const room = way === "strip" ? stripOf(place, framing.strip) : place;
  const isUpright = turned % 360 === 0;
  const fills = way === "fill" || way === "strip";
  const { part, drawn, leastScale } = fills
    ? filling(used, room, framing, { focal: focalIn(picture, used, framing.point ?? focal), zoom })
    : inside(used, room, framing);
  const middle = centreOf(drawn);
  const mirror = mirrored ? scaling(-1, 1, middle) : null;
  const turn = isUpright ? null : turning(turned, middle);
  const map = turn && mirror ? after(turn, mirror) : (turn ?? mirror);
  const seen = cutToRect(cornersOf(drawn, map), room);
  const scale = leastScale * (fills ? zoom : 1);
  const around = map ? boundsOf(map, drawn) : drawn;
  return {
    part,
    place: drawn,
    map,
    clip: reachesOut(around, room) ? room : null,
    scale,
    leastScale,
    lost: lostOf(areaOf(seen) / (scale * scale * picture.width * picture.height)),
    subject: seenAt(focalIn(picture, part, focal), { drawn, map, room }),
    bars: barsIn(place, seen),
  };
}

/** Where a point of what is drawn is seen, in design units; null where it lies outside. @param at in shares of the part */
function seenAt(
  at: Point,
  { drawn, map, room }: { readonly drawn: Rect; readonly map: Affine | null; readonly room: Rect },
): Point | null {
  if (at.x < 0 || at.x > 1 || at.y < 0 || at.y > 1) return null;
  const upright = { x: drawn.x + at.x * drawn.width, y: drawn.y + at.y * drawn.height };
  const shown = map ? mapped(map, upright) : upright;
  return contains(room, rect(shown.x, shown.y, 0, 0)) ? shown : null;
}

/** Where a point of a framed picture is seen, in design units; null where it is cut away. @param at in shares of the picture */
export function pointShown(
  picture: Size,
  { part, place, map, clip }: Pick<FramedPicture, "part" | "place" | "map" | "clip">,
  at: Point,
): Point | null {
  return seenAt(focalIn(picture, part, at), { drawn: place, map, room: clip ?? EVERYWHERE });
}
/** What is not cut is seen wherever it is drawn. */
const EVERYWHERE = rect(-1e9, -1e9, 2e9, 2e9);

/** The least times that a picture is enlarged over just filling its place, so that it covers it at an angle. */
export function leastZoomAt(picture: Size, place: Size, degrees: number): number {
  const box = aroundTurned(place, degrees);
  const upright = Math.max(place.width / picture.width, place.height / picture.height);
  return Math.max(box.width / picture.width, box.height / picture.height) / upright;
}

const usedPart = ({ width, height }: Size, window: Rect | null): Rect =>
  window
    ? rect(window.x * width, window.y * height, window.width * width, window.height * height)
    : rect(0, 0, width, height);

/** A point of a picture, in shares of a part of it. */
const focalIn = ({ width, height }: Size, used: Rect, { x, y }: Point): Point => ({
  x: (x * width - used.x) / used.width,
  y: (y * height - used.y) / used.height,
});

/** A strip lies across the place: from side to side where it is tall or square, from top to foot where it is wide. */
function stripOf({ x, y, width, height }: Rect, share: number): Rect {
  const [across, down] = width > height ? [width * share, height] : [width, height * share];
  return rect(x + (width - across) / 2, y + (height - down) / 2, across, down);
}

/** The upright box around something turned. */
function aroundTurned({ width, height }: Size, degrees: number): Size {
  const { width: across, height: down } = boundsOf(
    turning(degrees, { x: width / 2, y: height / 2 }),
    wholeOf({ width, height }),
  );
  return { width: across, height: down };
}

interface Lying {
  readonly part: Rect;
  readonly drawn: Rect;
  readonly leastScale: number;
}

function filling(
  used: Rect,
  room: Rect,
  { turned, enlarged }: Framing,
  { focal, zoom }: { readonly focal: Point; readonly zoom: number },
): Lying {
  const beyond = turned % 90 === 0 ? 0 : 2 * TURNED_BEYOND;
  const box = aroundTurned({ width: room.width + beyond, height: room.height + beyond }, turned);
  const frame = turned % 180 === 0 ? room : box;
  const part = coverPart(used, frame, focal, enlarged * zoom);
  const middle = centreOf(room);
  const drawn =
    turned % 180 === 0 ? room : rect(middle.x - box.width / 2, middle.y - box.height / 2, box.width, box.height);
  const leastScale = Math.max(frame.width / used.width, frame.height / used.height) * enlarged;
  return { part: rect(part.x + used.x, part.y + used.y, part.width, part.height), drawn, leastScale };
}

function inside(used: Rect, room: Rect, { turned, enlarged, point }: Framing): Lying {
  const align = point ?? CENTRE;
  const box = aroundTurned(used, turned);
  const upright = containPlace(box, room, align);
  const [width, height] = [upright.width * enlarged, upright.height * enlarged];
  const around =
    enlarged === 1
      ? upright
      : rect(room.x + (room.width - width) * align.x, room.y + (room.height - height) * align.y, width, height);
  const scale = around.width / box.width;
  if (turned % 180 === 0) return { part: used, drawn: around, leastScale: scale };
  const middle = centreOf(around);
  const size = { width: used.width * scale, height: used.height * scale };
  const drawn = rect(middle.x - size.width / 2, middle.y - size.height / 2, size.width, size.height);
  return { part: used, drawn, leastScale: scale };
}

function cornersOf(place: Rect, map: Affine | null): Point[] {
  const corners = [
    { x: place.x, y: place.y },
    { x: right(place), y: place.y },
    { x: right(place), y: bottom(place) },
    { x: place.x, y: bottom(place) },
  ];
  return map ? corners.map((corner) => mapped(map, corner)) : corners;
}

const reachesOut = (around: Rect, room: Rect, slack = 1e-6): boolean =>
  around.x < room.x - slack ||
  around.y < room.y - slack ||
  right(around) > right(room) + slack ||
  bottom(around) > bottom(room) + slack;

/** Less than this is no bar, and no loss, but what is left of adding up. */
const NO_BAR = 1e-6;
const NO_LOSS = 1e-9;

const lostOf = (seen: number): number => (1 - seen < NO_LOSS ? 0 : Math.min(1, 1 - seen));

function barsIn(place: Rect, seen: readonly Point[]): Insets {
  const xs = seen.map(({ x }) => x);
  const ys = seen.map(({ y }) => y);
  const bar = (length: number): number => (length < NO_BAR ? 0 : length);
  return {
    top: bar(Math.min(...ys) - place.y),
    right: bar(right(place) - Math.max(...xs)),
    bottom: bar(bottom(place) - Math.max(...ys)),
    left: bar(Math.min(...xs) - place.x),
  };
}

/**
 * The framing's point after a picture was dragged by some design units, so that it follows the hand as far as it can.
 *
 * @param focal where the point is while none was chosen
 */
export function draggedPoint(
  picture: Size,
  place: Rect,
  framing: Framing,
  { focal = CENTRE, by }: { readonly focal?: FocalPoint; readonly by: Point },
): Point {
  const framed = framedPicture(picture, place, framing, { focal });
  const share = (value: number): number => Math.min(1, Math.max(0, value));
  if (framing.way === "whole" || framing.way === "over its blur") {
    const around = framed.map ? boundsOf(framed.map, framed.place) : framed.place;
    const room = { x: place.width - around.width, y: place.height - around.height };
    const at = framing.point ?? CENTRE;
    const moved = (start: number, by: number, left: number): number => (left === 0 ? start : share(start + by / left));
    return { x: moved(at.x, by.x, room.x), y: moved(at.y, by.y, room.y) };
  }
  // Back into the picture's own directions: the turn undone, then the mirror.
  const { x, y } = mapped(turning(-framing.turned, { x: 0, y: 0 }), by);
  const middle = centreOf(framed.part);
  return {
    x: share((middle.x - (framing.mirrored ? -x : x) / framed.scale) / picture.width),
    y: share((middle.y - y / framed.scale) / picture.height),
  };
}
