import Decimal from "decimal.js";
import { type Money, minorDigits, money } from "./money";

/** How a reduced price ends: as it comes out, or at the next lower price with this fraction of a whole unit. */
export const PRICE_ENDINGS = ["exact", ".00", ".50", ".90", ".95", ".99"] as const;
export type PriceEnding = (typeof PRICE_ENDINGS)[number];

/**
 * A price brought **down** to the next one with the wanted ending, so that an ending never takes back what was promised.
 * Where no such price lies between zero and it, or the currency has no fractions, the price stays as it is.
 */
export function withEnding(price: Money, ending: PriceEnding): Money {
  const digits = minorDigits(price.currency);
  if (ending === "exact" || digits === 0) return price;
  const unit = 10 ** digits;
  const fraction = new Decimal(ending).times(unit).toNumber();
  const lower = Math.floor((price.amount - fraction) / unit) * unit + fraction;
  return lower < 0 || (lower === 0 && price.amount > 0) ? price : money(lower, price.currency);
}
