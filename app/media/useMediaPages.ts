import { useCallback, useMemo, useRef, useState } from "react";
import { array, number, object, string } from "yup";
import { ownAnswer } from "../components/ownAnswer";
import { type MediaItem } from "../../server/media/mediaList";

interface Page {
  readonly items: readonly MediaItem[];
  readonly count: number;
}

const schema = object({
  items: array()
    .of(object({ id: string().required() }))
    .required(),
  count: number().required(),
});
const isPage = (answer: unknown): answer is Page => schema.isValidSync(answer);

type Pages = ReadonlyMap<number, readonly MediaItem[]>;

/**
 * The media that answer a query, fetched page by page as they come into view. The first page comes with the page itself;
 * when that is loaded anew, the others are fetched anew too.
 */
export function useMediaPages(search: string, first: Page, pageSize: number) {
  const [got, setGot] = useState<{ readonly of: Page; readonly pages: Pages }>({ of: first, pages: new Map() });
  const asked = useRef({ of: first, pages: new Set<number>() });
  const pages: Pages = useMemo(
    () => new Map([[0, first.items] as const, ...(got.of === first ? got.pages : [])]),
    [first, got],
  );

  const want = useCallback(
    (page: number): void => {
      if (asked.current.of !== first) asked.current = { of: first, pages: new Set() };
      const already = asked.current.pages;
      if (page === 0 || already.has(page)) return;
      already.add(page);
      const params = new URLSearchParams(search);
      params.set("page", String(page));
      ownAnswer(`/media/page?${params.toString()}`, isPage)
        .then((answer) => {
          // What comes after the list was loaded anew belongs to the list before.
          if (!answer || asked.current.of !== first) return;
          setGot((before) => ({
            of: first,
            pages: new Map(before.of === first ? before.pages : []).set(page, answer.items),
          }));
        })
        // Asked for again when it next comes into view.
        .catch(() => already.delete(page));
    },
    [first, search],
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
