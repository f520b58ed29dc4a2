import { type OfferStanding } from "../../core/document/standing";
import { money } from "../../core/offer/money";
import { inScope } from "../../core/offer/scope";
import { figuresOrNull } from "../../core/offer/stacking";
import { firstDay, lastDay, offerState } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { type OfferRow, bundlePrices, linesOrReason, readOffer } from "./offerOnProduct";
import { claimProblem } from "./priceClaim";

interface Product {
  readonly id: string;
  readonly name: string;
  readonly price_minor: number;
  readonly currency: string;
  readonly tags: readonly string[];
}

type Offer = OfferRow & { readonly id: string };

/**
 * How it stands with offers on a product at a moment, by the offer's id.
 * @param among all of the team's offers: what others made of the price counts
 */
export async function offerStandings(
  scope: TeamScope,
  product: Product | null,
  offers: readonly Offer[],
  { among, locale, now }: { readonly among: readonly Offer[]; readonly locale: string; readonly now: Date },
): Promise<Record<string, OfferStanding>> {
  const steps = product
    ? await scope.select("price_step").selectAll().where("product_id", "=", product.id).execute()
    : [];
  const read = among.map((offer) => ({ id: offer.id, ...readOffer(offer) }));
  const standings: Record<string, OfferStanding> = {};
  for (const offer of offers) {
    const { terms, window } = readOffer(offer);
    const lines = product ? linesOrReason(product, offer, locale, await bundlePrices(scope, offer)) : null;
    const price = product && money(product.price_minor, product.currency);
    standings[offer.id] = {
      state: offerState(window, now),
      from: firstDay(window, locale),
      until: lastDay(window, locale),
      claim:
        product && price && lines && !("reason" in lines)
          ? claimProblem(
              {
                price,
                steps,
                others: read.filter(
                  (other) =>
                    other.id !== offer.id && inScope(other.scope, product) && other.window.startsAt < window.endsAt,
                ),
              },
              lines,
              { figures: figuresOrNull(price, terms), window, locale },
            )
          : null,
    };
  }
  return standings;
}
