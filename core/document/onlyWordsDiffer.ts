import { type Fill, type Promotion } from "./promotion";

/**
 * Whether two states of a promotion are the same but for words that are written in slots, as after a key. What an edit left
 * alone is the very same in both; where it is only alike, this says no.
 */
export function onlyWordsDiffer(one: Promotion, other: Promotion): boolean {
  const { fills: before, ...rest } = one;
  const { fills: after, ...others } = other;
  return sameMembers(rest, others) && sameMembers(before, after, areWords);
}

const areWords = (one: Fill | undefined, other: Fill | undefined): boolean =>
  one?.kind === "words" && other?.kind === "words";

function sameMembers<Value>(
  one: Readonly<Record<string, Value>>,
  other: Readonly<Record<string, Value>>,
  may: (value: Value | undefined, another: Value | undefined) => boolean = () => false,
): boolean {
  const keys = Object.keys(one);
  return (
    keys.length === Object.keys(other).length &&
    keys.every((key) => one[key] === other[key] || may(one[key], other[key]))
  );
}
