import Decimal from "decimal.js";
import { type Money, money } from "./money";

/** What a product holds, for its price per unit: 500 g, 1.5 l, 6 pieces. */
export interface Content {
  readonly quantity: number;
  readonly unit: ContentUnit;
}
export const CONTENT_UNITS = ["g", "kg", "ml", "l", "m", "piece"] as const;
export type ContentUnit = (typeof CONTENT_UNITS)[number];
export const isContentUnit = (value: unknown): value is ContentUnit => CONTENT_UNITS.some((unit) => unit === value);

export interface UnitPrice {
  readonly price: Money;
  readonly per: "100 g" | "kg" | "100 ml" | "litre" | "metre" | "piece";
}

/** Small packs are compared by 100 g or 100 ml, larger ones by kilogram or litre (common practice). */
const SMALL = 250;

/** The price per unit, rounded to the nearest minor unit, half up. Throws when the content is not above zero. */
export function unitPrice(price: Money, { quantity, unit }: Content): UnitPrice {
  if (!(quantity > 0)) throw new RangeError("What a product holds must be more than nothing.");
  const small = unit === "kg" || unit === "l" ? quantity * 1000 : quantity;
  const [per, base]: [UnitPrice["per"], number] =
    unit === "g" || unit === "kg"
      ? small <= SMALL
        ? ["100 g", 100]
        : ["kg", 1000]
      : unit === "ml" || unit === "l"
        ? small <= SMALL
          ? ["100 ml", 100]
          : ["litre", 1000]
        : [unit === "m" ? "metre" : "piece", 1];
  const one = new Decimal(price.amount).times(base).div(small).toDecimalPlaces(0, Decimal.ROUND_HALF_UP);
  return { price: money(one.toNumber(), price.currency), per };
}
