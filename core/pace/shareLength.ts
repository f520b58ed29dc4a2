/** Something that lasts for a while, and how far that may change. Milliseconds. */
export interface Elastic {
  readonly length: number;
  readonly least: number;
  readonly most: number;
  /** Its share of a difference, beside its length: 1 for an even one. With none it changes only where others can't. */
  readonly weight: number;
}

/** How long each lasts, in whole milliseconds; or, where they can't last so long together, how long they can. */
export type SharedLength = { readonly lengths: readonly number[] } | { readonly least: number; readonly most: number };

/** Less is what computing leaves over. */
const NOTHING = 1e-6;

/**
 * Has some things last a given time together: each takes on its share of the difference, by its length and weight, within
 * its bounds; what one can't take the others share again. The sum is exact.
 *
 * @param total whole milliseconds
 */
export function shareLength(all: readonly Elastic[], total: number): SharedLength {
  const bounded = all.map((one) => ({
    ...one,
    least: Math.ceil(one.least),
    most: Math.max(Math.ceil(one.least), one.most),
  }));
  const [least, most] = [sum(bounded.map((one) => one.least)), sum(bounded.map((one) => one.most))];
  if (total < least || total > most) return { least, most };
  const start = bounded.map(({ length, least: from, most: to }) => Math.min(to, Math.max(from, length)));
  const willing = spread(bounded, start, { total, weightOf: ({ weight, length }) => weight * length });
  const lengths = spread(bounded, willing, { total, weightOf: ({ length, weight }) => (weight > 0 ? 0 : length) });
  return { lengths: wholeLengths(bounded, lengths, total) };
}

interface Spreading {
  readonly total: number;
  readonly weightOf: (one: Elastic) => number;
}

/** Shares what is missing, or too much, among those that have a weight and room for it. */
function spread(all: readonly Elastic[], lengths: readonly number[], { total, weightOf }: Spreading): number[] {
  const now = [...lengths];
  // Each turn fills or spends one of them at least.
  for (let turn = 0; turn <= all.length; turn++) {
    const missing = total - sum(now);
    const open = all.flatMap((one, at) =>
      weightOf(one) > 0 && roomOf(one, now[at] ?? 0, missing) > NOTHING ? [at] : [],
    );
    const weights = sum(open.map((at) => weightOf(all[at] ?? NONE)));
    if (Math.abs(missing) < NOTHING || weights === 0) break;
    for (const at of open) {
      const one = all[at] ?? NONE;
      const change = (missing * weightOf(one)) / weights;
      now[at] = Math.min(one.most, Math.max(one.least, (now[at] ?? 0) + change));
    }
  }
  return now;
}

const NONE: Elastic = { length: 0, least: 0, most: 0, weight: 0 };
const roomOf = ({ least, most }: Elastic, length: number, missing: number): number =>
  missing > 0 ? most - length : length - least;
const sum = (values: readonly number[]): number => values.reduce((whole, value) => whole + value, 0);

/** Whole milliseconds of the same sum: what is cut off is given back where most of it was. */
function wholeLengths(all: readonly Elastic[], lengths: readonly number[], total: number): number[] {
  const whole = lengths.map((length) => Math.floor(length + NOTHING));
  const byRest = lengths
    .map((length, at) => ({ at, rest: length - (whole[at] ?? 0) }))
    .sort((one, other) => other.rest - one.rest);
  let missing = total - sum(whole);
  while (missing > 0) {
    const before = missing;
    for (const { at } of byRest) {
      const [now, most] = [whole[at] ?? 0, all[at]?.most ?? 0];
      if (missing === 0 || now + 1 > most) continue;
      whole[at] = now + 1;
      missing--;
    }
    if (missing === before) break;
  }
  return whole;
}
