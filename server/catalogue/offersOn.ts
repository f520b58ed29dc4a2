import { type OfferStanding } from "../../core/document/standing";
import { money } from "../../core/offer/money";
import { type OfferLines } from "../../core/offer/offerLines";
import { figuresOrNull } from "../../core/offer/stacking";
import { daysLeftInWords, firstDay, lastDay, offerState } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { type OfferRow, type ProductRow, bundlePrices, linesOrReason, readOffer } from "./offerOnProduct";
import { claimProblem, othersOn } from "./priceClaim";

type Offer = OfferRow & { readonly id: string };

/** An offer on a product: its lines, null where it can't apply, and how it stands with it. */
export interface OfferOn {
  readonly lines: OfferLines | null;
  readonly standing: OfferStanding;
}

/**
 * What offers make of a product at a moment, by the offer's id.
 * @param among all of the team's offers: what others made of the price counts
 */
export async function offersOn(
  scope: TeamScope,
  product: ProductRow | null,
  offers: readonly Offer[],
  { among, locale, now }: { readonly among: readonly Offer[]; readonly locale: string; readonly now: Date },
): Promise<Record<string, OfferOn>> {
  const saidOf = product ? await linesAndClaims(scope, product, among, locale) : null;
  const found: Record<string, OfferOn> = {};
  for (const offer of offers) {
    const window = { startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone };
    const { lines, claim } = (await saidOf?.(offer)) ?? { lines: null, claim: null };
    const left = daysLeftInWords(window, now, locale);
    const [from, until] = [firstDay(window, locale), lastDay(window, locale)];
    found[offer.id] = { lines, standing: { state: offerState(window, now), from, until, daysLeft: left, claim } };
  }
  return found;
}

/** Writes offers on a product out, and tells what is wrong with the price before that they claim. */
async function linesAndClaims(scope: TeamScope, product: ProductRow, among: readonly Offer[], locale: string) {
  const steps = await scope.kept(scope.select("price_step").selectAll().where("product_id", "=", product.id));
  const price = money(product.price_minor, product.currency);
  const read = among.map((offer) => ({ id: offer.id, ...readOffer(offer) }));
  return async (offer: Offer): Promise<{ readonly lines: OfferLines | null; readonly claim: string | null }> => {
    const lines = linesOrReason(product, offer, locale, await bundlePrices(scope, offer));
    if ("reason" in lines) return { lines: null, claim: null };
    const { terms, window } = readOffer(offer);
    const history = { price, steps, others: othersOn(product, read, { id: offer.id, window }) };
    return { lines, claim: claimProblem(history, lines, { figures: figuresOrNull(price, terms), window, locale }) };
  };
}
