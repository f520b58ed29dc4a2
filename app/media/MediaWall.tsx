import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { type MediaItem } from "../../server/media/mediaList";
import { MediaCard, MediaRow } from "./MediaCard";

const LEAST_CARD = 212;
const GAP = 20;
const CARD_HEIGHT = 232;
const ROW_HEIGHT = 72;

/** All items that answer a search, as a grid or a list; only what is in view is there. */
export function MediaWall({
  count,
  itemAt,
  want,
  view,
  shares,
  waits,
  marked,
  open,
  onMark,
  onOpen,
}: {
  count: number;
  itemAt: (index: number) => MediaItem | null;
  want: (index: number) => void;
  view: "grid" | "list";
  shares: Readonly<Record<string, number>>;
  /** What items wait behind, in words, by id. */
  waits: Readonly<Record<string, string>>;
  marked: ReadonlySet<string>;
  open: string | null;
  onMark: (id: string) => void;
  onOpen: (id: string) => void;
}) {
  const wall = useRef<HTMLDivElement>(null);
  const [{ width, top }, setPlace] = useState({ width: 1200, top: 0 });
  useLayoutEffect(() => {
    const measure = (): void => {
      const element = wall.current;
      if (element) setPlace({ width: element.clientWidth, top: element.getBoundingClientRect().top + window.scrollY });
    };
    measure();
    const observer = new ResizeObserver(measure);
    if (wall.current) observer.observe(wall.current);
    return () => observer.disconnect();
  }, []);
  const across = view === "list" ? 1 : Math.max(1, Math.floor((width + GAP) / (LEAST_CARD + GAP)));
  const rows = useWindowVirtualizer({
    count: Math.ceil(count / across),
    estimateSize: () => (view === "list" ? ROW_HEIGHT : CARD_HEIGHT + GAP),
    overscan: 3,
    scrollMargin: top,
  });
  useEffect(() => rows.measure(), [view, rows]);
  const shown = rows.getVirtualItems();
  const from = (shown[0]?.index ?? 0) * across;
  const to = Math.min(count, ((shown.at(-1)?.index ?? 0) + 1) * across);
  useEffect(() => {
    for (let index = from; index < to; index++) want(index);
  });
  return (
    <div ref={wall} role="list" aria-label="Media items" className="relative" style={{ height: rows.getTotalSize() }}>
      {shown.map((row) => (
        <div
          key={row.key}
          role="presentation"
          className="absolute left-0 w-full"
          style={{
            transform: `translateY(${row.start - top}px)`,
            ...(view === "grid"
              ? {
                  display: "grid",
                  gridTemplateColumns: `repeat(${across}, minmax(0, 1fr))`,
                  gap: GAP,
                  height: CARD_HEIGHT,
                }
              : { height: ROW_HEIGHT }),
          }}
        >
          {Array.from({ length: Math.min(across, count - row.index * across) }, (_, column) => {
            const item = itemAt(row.index * across + column);
            if (!item) return <div key={column} role="listitem" aria-busy className="bg-card/60" />;
            const props = {
              item,
              share: shares[item.id] ?? item.progress,
              wait: waits[item.id],
              marked: marked.has(item.id),
              open: open === item.id,
              onMark: () => onMark(item.id),
              onOpen: () => onOpen(item.id),
            };
            return (
              <div key={item.id} role="listitem" className="h-full min-w-0">
                {view === "grid" ? <MediaCard {...props} /> : <MediaRow {...props} />}
              </div>
            );
          })}
        </div>
      ))}
    </div>
  );
}
