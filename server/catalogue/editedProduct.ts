import { money, writePrice } from "../../core/offer/money";
import { dateFormat } from "../../core/text/formatters";
import { type TeamScope } from "../db/teamScope";
import { isId, readIds } from "../ids";
import { type TypedProduct, typedProduct } from "./typedProduct";

/** A product as its form shows it. */
export interface EditedProduct {
  readonly id: string;
  readonly typed: TypedProduct;
  readonly pictures: readonly string[];
  /** Prices it had, newest first, in words. */
  readonly history: readonly { readonly from: string; readonly price: string }[];
}

const PRICES_SHOWN = 12;

/** A product of the team to be edited; null when there is none of that id. */
export async function editedProduct(scope: TeamScope, id: string, locale: string): Promise<EditedProduct | null> {
  const typed = isId(id) ? await typedProduct(scope, id) : null;
  if (!typed) return null;
  const steps = await scope
    .select("price_step")
    .selectAll()
    .where("product_id", "=", id)
    .orderBy("from_at", "desc")
    .limit(PRICES_SHOWN)
    .execute();
  const day = dateFormat(locale, { dateStyle: "medium" });
  return {
    id,
    typed,
    pictures: readIds(typed.pictures),
    history: steps.map((step) => ({
      from: day.format(step.from_at),
      price: writePrice(money(step.price_minor, step.currency), locale),
    })),
  };
}
