import { useCallback, useEffect, useRef, useState } from "react";
import { type MediaItem } from "../../server/media/mediaList";

interface Page {
  readonly items: readonly MediaItem[];
  readonly count: number;
}

/**
 * The media that answer a query, fetched page by page as they come into view. The first page comes with the page itself;
 * when that is loaded anew, the others are fetched anew too.
 */
export function useMediaPages(search: string, first: Page, pageSize: number) {
  const [pages, setPages] = useState<ReadonlyMap<number, readonly MediaItem[]>>(new Map([[0, first.items]]));
  const asked = useRef(new Set([0]));
  const latest = useRef(first);
  useEffect(() => {
    latest.current = first;
    asked.current = new Set([0]);
    setPages(new Map([[0, first.items]]));
  }, [first, search]);

  const want = useCallback(
    (page: number): void => {
      if (asked.current.has(page)) return;
      asked.current.add(page);
      const of = latest.current;
      const params = new URLSearchParams(search);
      params.set("page", String(page));
      fetch(`/media/page?${params}`)
        .then(async (response) => (response.ok ? ((await response.json()) as Page) : null))
        .then((got) => {
          if (got && latest.current === of) setPages((before) => new Map(before).set(page, got.items));
        })
        // Asked for again when it next comes into view.
        .catch(() => asked.current.delete(page));
    },
    [search],
  );

  const itemAt = (index: number): MediaItem | null =>
    pages.get(Math.floor(index / pageSize))?.[index % pageSize] ?? null;
  return {
    count: first.count,
    itemAt,
    want: (index: number) => want(Math.floor(index / pageSize)),
    loaded: [...pages.values()].flat(),
  };
}
