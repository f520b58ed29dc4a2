import Decimal from "decimal.js";
import { type Money, minorDigits, money } from "./money";

/** How a reduced price ends: as it comes out, or at the next lower price with this fraction of a whole unit. */
export const PRICE_ENDINGS = ["exact", ".00", ".50", ".90", ".95", ".99"] as const;
export type PriceEnding = (typeof PRICE_ENDINGS)[number];

/** Which way a price is brought to its ending. */
export const ENDING_WAYS = ["down", "nearest", "up"] as const;
export type EndingWay = (typeof ENDING_WAYS)[number];

/**
 * A price brought to one with the wanted ending: **down** to the next one, so that an ending never takes back what was
 * promised, up to it, or to the nearest, the lower of two as near. Where no such price lies above zero, or the currency has
 * no fractions, the price stays as it is.
 */
export function withEnding(price: Money, ending: PriceEnding, way: EndingWay = "down"): Money {
  const digits = minorDigits(price.currency);
  if (ending === "exact" || digits === 0) return price;
  const unit = 10 ** digits;
  const fraction = new Decimal(ending).times(unit).toNumber();
  const lower = Math.floor((price.amount - fraction) / unit) * unit + fraction;
  const upper = lower === price.amount ? lower : lower + unit;
  const isLower = way === "down" || (way === "nearest" && price.amount - lower <= upper - price.amount);
  const brought = isLower ? lower : upper;
  return brought < 0 || (brought === 0 && price.amount > 0) ? price : money(brought, price.currency);
}
