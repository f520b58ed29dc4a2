import { useState } from "react";

/** A set of marked rows, by id. */
export function useMarked(first: Iterable<string> = []) {
  const [marked, setMarked] = useState<ReadonlySet<string>>(() => new Set(first));
  const toggle = (id: string): void =>
    setMarked((before) => {
      const next = new Set(before);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  return { marked, setMarked, toggle };
}
