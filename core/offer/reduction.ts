import Decimal from "decimal.js";
import { type Money, money } from "./money";

export type Reduction =
  /** `percent` may have two decimals, above 0 and at most 100. */
  | { readonly kind: "percent-off"; readonly percent: number }
  | { readonly kind: "new-price"; readonly price: Money };

export interface ReducedPrice {
  readonly was: Money;
  readonly now: Money;
  readonly saving: Money;
  /** Whole percent, rounded down: what may be claimed without overstating. */
  readonly percent: number;
}

/**
 * What an offer makes of a price.
 *
 * Rounding: a percentage off is taken exactly and the new price rounded **down** to a whole minor unit, so the customer
 * always gets at least the promised share; the saving is the true difference of the two prices shown; the percentage
 * shown is rounded **down** and never above the promised one. Nothing claimed is ever more than what is given.
 *
 * Throws when the percentage is out of range, currencies differ, or a new price is not below the old.
 */
export function reduce(was: Money, reduction: Reduction): ReducedPrice {
  const now = reduction.kind === "percent-off" ? percentOff(was, reduction.percent) : newPrice(was, reduction.price);
  const saving = money(was.amount - now.amount, was.currency);
  const real = was.amount === 0 ? 0 : new Decimal(saving.amount).times(100).div(was.amount).floor().toNumber();
  const percent = reduction.kind === "percent-off" ? Math.min(real, Math.floor(reduction.percent)) : real;
  return { was, now, saving, percent };
}

function percentOff(was: Money, percent: number): Money {
  if (!(percent > 0 && percent <= 100)) throw new RangeError(`A percentage off must be above 0 and at most 100, got ${percent}.`);
  const left = new Decimal(100).minus(percent).div(100);
  return money(new Decimal(was.amount).times(left).floor().toNumber(), was.currency);
}

function newPrice(was: Money, price: Money): Money {
  if (price.currency !== was.currency) throw new RangeError(`The new price is in ${price.currency}, but the product is priced in ${was.currency}.`);
  if (price.amount >= was.amount) throw new RangeError("The new price must be below the price before.");
  return price;
}
