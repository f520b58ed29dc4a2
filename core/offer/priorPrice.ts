import { type Money, money } from "./money";

/** From this moment on, a product cost this much. */
export interface PriceStep {
  readonly from: Date;
  readonly price: Money;
}
/** A stretch in which an offer made the product cheaper: its reduced price counts as a price that was applied. */
export interface AppliedReduction {
  readonly from: Date;
  readonly to: Date;
  readonly price: Money;
}

const DAYS_30_MS = 30 * 86_400_000;

/**
 * The price before, as it may be claimed: the lowest price applied in the 30 days before the reduction began (EU Directive
 * 98/6/EC, Art. 6a). A product newer than that is judged by the time it has been priced. Null when it had no price before.
 */
export function priorPrice(
  history: readonly PriceStep[],
  reductions: readonly AppliedReduction[],
  startsAt: Date,
): Money | null {
  const opens = startsAt.getTime() - DAYS_30_MS;
  const steps = [...history].sort((a, b) => a.from.getTime() - b.from.getTime()).filter(({ from }) => from < startsAt);
  const applied = steps
    .filter((_, index) => (steps[index + 1]?.from.getTime() ?? startsAt.getTime()) > opens)
    .map(({ price }) => price);
  const reduced = reductions
    .filter(({ from, to }) => from < startsAt && to.getTime() > opens)
    .map(({ price }) => price);
  const currency = steps.at(-1)?.price.currency;
  const amounts = [...applied, ...reduced].filter((price) => price.currency === currency).map(({ amount }) => amount);
  return currency && amounts.length > 0 ? money(Math.min(...amounts), currency) : null;
}

export type PriorPriceFinding = { readonly kind: "no-history" } | { readonly kind: "too-high"; readonly lowest: Money };

/** What is wrong with showing `was` as the price before; null when the claim is allowed. */
export function priorPriceFinding(
  was: Money,
  history: readonly PriceStep[],
  reductions: readonly AppliedReduction[],
  startsAt: Date,
): PriorPriceFinding | null {
  const lowest = priorPrice(history, reductions, startsAt);
  if (!lowest) return { kind: "no-history" };
  return was.amount > lowest.amount ? { kind: "too-high", lowest } : null;
}
