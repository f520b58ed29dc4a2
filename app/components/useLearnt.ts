import { useEffect, useMemo, useState } from "react";

type ById<Item> = Readonly<Record<string, Item>>;

interface Source<Item> {
  /** Where what is known of things is asked for by their ids; of a fetcher of the page. */
  readonly load: (address: string) => Promise<void>;
  readonly address: string;
  /** What it answered last. */
  readonly data: ById<Item> | undefined;
  /** What was learnt of things since the application was opened, whichever page learnt it. */
  readonly learnt: Map<string, Item>;
}

/**
 * What is known of the things that a page shows: what its loader gave, what it was told when something was chosen, and, of
 * what came from elsewhere (another person, an undone step, another desk), what the server says.
 * @param ids of all that is shown
 */
export function useLearnt<Item>(
  ids: readonly string[],
  loaded: ById<Item>,
  { load, address, data, learnt }: Source<Item>,
): { readonly known: ById<Item>; readonly learn: (id: string, item: Item) => void } {
  // Each answer gives only what was asked for last: what came before is among what was learnt.
  const [told, setTold] = useState<ById<Item>>(() => Object.fromEntries(learnt));
  const known = useMemo(
    () => ({ ...Object.fromEntries(learnt), ...told, ...data, ...loaded }),
    [learnt, told, data, loaded],
  );
  const asked = [...new Set(ids.filter((id) => !(id in known)))].sort().join("&id=");
  useEffect(() => {
    if (asked !== "") void load(`${address}?id=${asked}`);
  }, [asked, address, load]);
  useEffect(() => {
    for (const [id, item] of Object.entries(data ?? {})) learnt.set(id, item);
  }, [data, learnt]);
  function learn(id: string, item: Item): void {
    learnt.set(id, item);
    setTold(Object.fromEntries(learnt));
  }
  return { known, learn };
}
