import isEqual from "fast-deep-equal/es6/index.js";

/**
 * What is now, with members that are alike taken from before: a copy that came from elsewhere is then compared, and what was
 * made of its members found again, by their being the very same.
 */
export function withSameMembers<Document extends object>(before: Document | null, now: Document): Document {
  if (before === null) return now;
  const same = { ...now };
  for (const member in now) if (isEqual(before[member], now[member])) same[member] = before[member];
  return same;
}
