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
  const claimOf = product ? await claimsOn(scope, product, among, locale) : () => Promise.resolve(null);
  const standings: Record<string, OfferStanding> = {};
  for (const offer of offers) {
    const window = { startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone };
    standings[offer.id] = {
      state: offerState(window, now),
      from: firstDay(window, locale),
      until: lastDay(window, locale),
      claim: await claimOf(offer),
    };
  }
  return standings;
}

/** Tells of offers on a product what is wrong with the price before that they claim. */
async function claimsOn(scope: TeamScope, product: Product, among: readonly Offer[], locale: string) {
  const steps = await scope.select("price_step").selectAll().where("product_id", "=", product.id).execute();
  const price = money(product.price_minor, product.currency);
  const read = among.map((offer) => ({ id: offer.id, ...readOffer(offer) }));
  return async (offer: Offer): Promise<string | null> => {
    const { terms, window } = readOffer(offer);
    const lines = linesOrReason(product, offer, locale, await bundlePrices(scope, offer));
    if ("reason" in lines) return null;
    const others = read.filter(
      (other) => other.id !== offer.id && inScope(other.scope, product) && other.window.startsAt < window.endsAt,
    );
    return claimProblem({ price, steps, others }, lines, { figures: figuresOrNull(price, terms), window, locale });
  };
}
