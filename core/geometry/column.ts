import { recordOf } from "../records";
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
  let y = area.y;
  return recordOf(
    items.map(({ key, share, most }) => {
      const box = rect(area.x, y, area.width, Math.min(most ?? Infinity, (free * share) / shares));
      y += box.height + gap;
      return [key, box];
    }),
  );
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
  return recordOf(
    items.map(({ key, width, height }, index) => {
      y += gapBefore(index);
      const beside = area.width - width;
      const x = area.x + (align === "centre" ? beside / 2 : align === "end" ? beside : 0);
      const place = rect(x, y, width, height);
      y += height;
      return [key, place];
    }),
  );
}
