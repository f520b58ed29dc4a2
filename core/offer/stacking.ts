import { type Money } from "./money";
import { type OfferFigures, offerFigures } from "./figures";
import { type OfferTerms } from "./terms";

/** An offer that is running on a product. */
export interface RunningOffer {
  readonly id: string;
  readonly name: string;
  readonly terms: OfferTerms;
  readonly endsAt: Date;
}

export const STACKING_RULE =
  "Offers never add up. The one that makes a single piece cheapest applies; of equals the one that ends first.";

/**
 * Which of several offers on one product applies, by the stated rule: lowest price for one piece, then earliest end, then
 * name. Offers that give no price, or do not apply to this price, are left out. Null when none lowers the price.
 */
export function resolveStacked<Offer extends RunningOffer>(
  price: Money,
  offers: readonly Offer[],
): { readonly offer: Offer; readonly figures: OfferFigures } | null {
  const priced = offers.flatMap((offer) => {
    const figures = figuresOrNull(price, offer.terms);
    return figures && figures.saving.amount > 0 ? [{ offer, figures }] : [];
  });
  // Compared across, not by the rounded price of one piece: 10 for 2 is cheaper than 5.01 for 1.
  priced.sort(
    (a, b) =>
      a.figures.now.amount * b.figures.pieces - b.figures.now.amount * a.figures.pieces ||
      a.offer.endsAt.getTime() - b.offer.endsAt.getTime() ||
      a.offer.name.localeCompare(b.offer.name, "en"),
  );
  return priced[0] ?? null;
}

/** As `offerFigures`, with null where the offer can't apply to this price. */
export function figuresOrNull(price: Money, terms: OfferTerms): OfferFigures | null {
  try {
    return offerFigures(price, terms);
  } catch (error) {
    if (error instanceof RangeError) return null;
    throw error;
  }
}
