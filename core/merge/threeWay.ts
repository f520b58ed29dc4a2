/** Whether two pieces of JSON say the same, in whatever order their keys come. */
export const sameJson = (one: unknown, other: unknown): boolean =>
  JSON.stringify(ordered(one)) === JSON.stringify(ordered(other));

function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (!isRecord(value)) return value;
  const entries = Object.entries(value).filter(([, inner]) => inner !== undefined);
  return Object.fromEntries(entries.sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, inner]) => [key, ordered(inner)]));
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === "object" && value !== null && !Array.isArray(value);

/** A field of its own: every object answers to names such as `__proto__`, which JSON may have as any other. */
const own = (record: Record<string, unknown>, key: string): unknown =>
  Object.hasOwn(record, key) ? record[key] : undefined;

/**
 * What somebody made of a piece of JSON, put on what it has become meanwhile, field by field: where only one of them changed
 * a field, that is kept; where both did, mine. Lists are one field.
 */
export function threeWay(base: unknown, mine: unknown, now: unknown): unknown {
  if (!isRecord(base) || !isRecord(mine) || !isRecord(now)) return sameJson(base, mine) ? now : mine;
  const keys = [...new Set([...Object.keys(now), ...Object.keys(mine)])];
  return Object.fromEntries(
    keys.flatMap((key): [string, unknown][] => {
      const merged = threeWay(own(base, key), own(mine, key), own(now, key));
      return merged === undefined ? [] : [[key, merged]];
    }),
  );
}
