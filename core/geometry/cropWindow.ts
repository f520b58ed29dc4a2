import { type Point, type Rect, bottom, rect, right } from "./rect";

/** A corner of a window, by which it is pulled. */
export const WINDOW_CORNERS = ["top left", "top right", "bottom left", "bottom right"] as const;
export type WindowCorner = (typeof WINDOW_CORNERS)[number];

/** Less of a picture's side than this is not worth showing. */
export const LEAST_WINDOW = 0.05;

/** A window moved inside its picture, as far as there is room. All in shares of the picture. */
export const movedWindow = ({ x, y, width, height }: Rect, by: Point): Rect =>
  rect(within(x + by.x, 1 - width), within(y + by.y, 1 - height), width, height);

const within = (value: number, most: number): number => Math.min(Math.max(0, value), Math.max(0, most));

/**
 * A window with one corner pulled to a place; the corner across from it stays. As it was where its shape has no
 * room for the least sides.
 *
 * @param ratio width by height that it keeps, in shares of the picture; null for a free one
 */
export function pulledWindow(window: Rect, corner: WindowCorner, to: Point, ratio: number | null): Rect {
  const [isLeft, isTop] = [corner.endsWith("left"), corner.startsWith("top")];
  const anchor = { x: isLeft ? right(window) : window.x, y: isTop ? bottom(window) : window.y };
  const room = { width: isLeft ? anchor.x : 1 - anchor.x, height: isTop ? anchor.y : 1 - anchor.y };
  const wanted = {
    width: isLeft ? anchor.x - to.x : to.x - anchor.x,
    height: isTop ? anchor.y - to.y : to.y - anchor.y,
  };
  const locked = (shape: number): Size | null => sizeOf(Math.max(wanted.width, wanted.height * shape), shape, room);
  const size = ratio === null ? freeSize(wanted, room) : locked(ratio);
  if (!size) return window;
  return rect(
    isLeft ? anchor.x - size.width : anchor.x,
    isTop ? anchor.y - size.height : anchor.y,
    size.width,
    size.height,
  );
}

interface Size {
  readonly width: number;
  readonly height: number;
}

const freeSize = (wanted: Size, room: Size): Size => ({
  width: Math.min(room.width, Math.max(LEAST_WINDOW, wanted.width)),
  height: Math.min(room.height, Math.max(LEAST_WINDOW, wanted.height)),
});

/** A size of a ratio, as near to a width as the room and the least sides allow; null where they allow none. */
function sizeOf(wanted: number, ratio: number, room: Size): Size | null {
  const most = Math.min(room.width, room.height * ratio);
  const least = Math.max(LEAST_WINDOW, LEAST_WINDOW * ratio);
  if (most < least) return null;
  const width = Math.min(most, Math.max(least, wanted));
  return { width, height: width / ratio };
}

/** A window of a ratio around the middle of another, as wide as that as far as it fits; as it was where none can be. */
export function windowOfRatio(window: Rect, ratio: number): Rect {
  const size = sizeOf(window.width, ratio, { width: 1, height: 1 });
  if (!size) return window;
  const middle = { x: window.x + window.width / 2, y: window.y + window.height / 2 };
  return movedWindow(rect(middle.x - size.width / 2, middle.y - size.height / 2, size.width, size.height), {
    x: 0,
    y: 0,
  });
}
