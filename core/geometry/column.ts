import { type Rect, rect } from "./rect";

/** The step all spacing is a multiple of, in design units. */
export const RHYTHM = 12;

export interface ColumnItem<Key extends string> {
  readonly key: Key;
  /** Its part of the height relative to the other items'. */
  readonly share: number;
  /** Never given more height than this. */
  readonly most?: number;
}

/** Divides a column's height among its items by their shares, with equal gaps. An item's box depends on no other's words. */
export function allotColumn<Key extends string>(
  area: Rect,
  items: readonly ColumnItem<Key>[],
  gap: number,
): Record<Key, Rect> {
  const free = area.height - gap * Math.max(0, items.length - 1);
  if (free <= 0) throw new RangeError(`A column ${area.height} units high has no room for ${items.length} items.`);
  const shares = items.reduce((sum, item) => sum + item.share, 0);
  const boxes = {} as Record<Key, Rect>;
  let y = area.y;
  for (const { key, share, most } of items) {
    const height = Math.min(most ?? Infinity, (free * share) / shares);
    boxes[key] = rect(area.x, y, area.width, height);
    y += height + gap;
  }
  return boxes;
}

export const ANCHORS = ["top", "middle", "bottom"] as const;
export type Anchor = (typeof ANCHORS)[number];
/** `start` is the side that reading begins from. */
export type Align = "start" | "centre" | "end";

export interface PackItem<Key extends string> {
  readonly key: Key;
  readonly width: number;
  readonly height: number;
  /** Room kept above it in place of the column's own gap. */
  readonly gap?: number;
}

/** Closes up a column after its words are set: items at their true heights, gaps kept, the whole anchored in the area. */
export function packColumn<Key extends string>(
  area: Rect,
  items: readonly PackItem<Key>[],
  gap: number,
  anchor: Anchor,
  align: Align,
): Record<Key, Rect> {
  const gapBefore = (index: number): number => (index === 0 ? 0 : (items[index]?.gap ?? gap));
  const height = items.reduce((sum, item, index) => sum + item.height + gapBefore(index), 0);
  const free = Math.max(0, area.height - height);
  let y = area.y + (anchor === "top" ? 0 : anchor === "bottom" ? free : free / 2);
  const places = {} as Record<Key, Rect>;
  items.forEach((item, index) => {
    y += gapBefore(index);
    const free = area.width - item.width;
    const x = area.x + (align === "centre" ? free / 2 : align === "end" ? free : 0);
    places[item.key] = rect(x, y, item.width, item.height);
    y += item.height;
  });
  return places;
}
