import { useEffect, useMemo, useState } from "react";
import { ownAnswer } from "./ownAnswer";

type ById<Item> = Readonly<Record<string, Item>>;

interface Source<Item> {
  /** Where what is known of things is asked for by their ids. */
  readonly address: string;
  readonly isAnswer: (value: unknown) => value is ById<Item>;
  /** What was learnt of things since the application was opened, whichever page learnt it. */
  readonly learnt: Map<string, Item>;
}

/** An answer may be lost on its way: then it is asked for again, so often. */
const ASK_AGAIN_MS = 3000;
const MOST_TIMES = 5;

/**
 * What is known of the things that a page shows: what its loader gave, what it was told when something was chosen, and, of
 * what came from elsewhere (another person, an undone step, another desk), what the server says.
 * @param ids of all that is shown
 */
export function useLearnt<Item>(
  ids: readonly string[],
  loaded: ById<Item>,
  { address, isAnswer, learnt }: Source<Item>,
): { readonly known: ById<Item>; readonly learn: (id: string, item: Item) => void } {
  const [told, setTold] = useState<ById<Item>>(() => Object.fromEntries(learnt));
  const known = useMemo(() => ({ ...told, ...loaded }), [told, loaded]);
  const asked = [...new Set(ids.filter((id) => !(id in known)))].sort().join("&id=");
  useEffect(() => {
    if (asked === "") return undefined;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let isOver = false;
    async function ask(times: number): Promise<void> {
      const answer = await ownAnswer(`${address}?id=${asked}`, isAnswer).catch(() => null);
      if (isOver) return;
      for (const [id, item] of Object.entries(answer ?? {})) learnt.set(id, item);
      if (answer) setTold(Object.fromEntries(learnt));
      // What is answered without it is not there, or not yet.
      if (times > 1) timer = setTimeout(() => void ask(times - 1), ASK_AGAIN_MS);
    }
    void ask(MOST_TIMES);
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [asked, address, isAnswer, learnt]);
  function learn(id: string, item: Item): void {
    learnt.set(id, item);
    setTold(Object.fromEntries(learnt));
  }
  return { known, learn };
}
