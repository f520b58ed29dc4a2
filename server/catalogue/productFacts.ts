import { type ProductFacts } from "../../core/document/facts";
import { money, writePrice } from "../../core/offer/money";

/** What is said of a product in promotions, as the database has it. */
export interface SaidOfProduct {
  readonly id: string;
  readonly name: string;
  readonly line: string;
  readonly price_minor: number;
  readonly currency: string;
}
export const SAID_OF_PRODUCT = ["id", "name", "line", "price_minor", "currency"] as const;

/** A product as promotions use it, its price written out in the team's locale. */
export const productFacts = (
  { id, name, line, price_minor, currency }: SaidOfProduct,
  picture: string | null,
  locale: string,
): ProductFacts => ({ id, name, line, price: writePrice(money(price_minor, currency), locale), picture });
