/** Numbers that look random and are the same for the same seed (the mulberry32 generator). */
export interface Random {
  /** From 0 up to 1. */
  next(): number;
  between(least: number, most: number): number;
  pick<Item>(items: readonly Item[]): Item;
}

export function seeded(seed: number): Random {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  return {
    next,
    between: (least, most) => least + (most - least) * next(),
    pick: (items) => {
      const item = items[Math.floor(next() * items.length)];
      if (item === undefined) throw new RangeError("There is nothing to pick from.");
      return item;
    },
  };
}
