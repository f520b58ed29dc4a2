import { type Money, money } from "../../core/offer/money";
import { type OfferLines, offerLines } from "../../core/offer/offerLines";
import { type OfferScope, inScope, readOfferScope } from "../../core/offer/scope";
import { type OfferTerms, readOfferTerms } from "../../core/offer/terms";
import { type OfferWindow } from "../../core/offer/validity";
import { readOnce } from "../db/readOnce";
import { type TeamScope } from "../db/teamScope";

/** An offer as the database has it. */
export interface OfferRow {
  readonly terms: object;
  readonly scope: object;
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly zone: string;
}
/** What an offer needs to know of a product. */
export interface ProductRow {
  readonly id: string;
  readonly name: string;
  readonly price_minor: number;
  readonly currency: string;
  readonly tags: readonly string[];
}

export interface ReadOffer {
  readonly terms: OfferTerms;
  readonly scope: OfferScope;
  readonly window: OfferWindow;
}

const readTerms = readOnce(readOfferTerms);
const readScope = readOnce(readOfferScope);

export const readOffer = (row: OfferRow): ReadOffer => ({
  terms: readTerms(row.terms),
  scope: readScope(row.scope),
  window: { startsAt: row.starts_at, endsAt: row.ends_at, zone: row.zone },
});

/** The lines of an offer on a product, or why it can't apply, in words. `bundle` has the prices of all products in scope. */
export function linesOrReason(
  product: ProductRow,
  offer: OfferRow,
  locale: string,
  bundle: readonly Money[] = [],
): OfferLines | { readonly reason: string } {
  const { terms, scope, window } = readOffer(offer);
  if (!inScope(scope, product)) return { reason: "This product is not among those the offer is for." };
  try {
    return offerLines(
      { name: product.name, price: money(product.price_minor, product.currency), bundle },
      terms,
      window,
      locale,
    );
  } catch (error) {
    if (error instanceof RangeError) return { reason: error.message };
    throw error;
  }
}

/** The most products whose prices make a bundle. */
const MOST_BUNDLE = 50;

/** The prices of the products in a bundle's scope; empty for other offers. */
export async function bundlePrices(scope: TeamScope, offer: OfferRow): Promise<Money[]> {
  const { terms, scope: on } = readOffer(offer);
  if (terms.kind !== "bundle-price") return [];
  const rows =
    on.on === "products"
      ? await scope.kept(
          scope
            .select("product")
            .select(["price_minor", "currency"])
            .where("id", "in", [...on.products])
            .limit(MOST_BUNDLE),
        )
      : [];
  return rows.map((row) => money(row.price_minor, row.currency));
}
