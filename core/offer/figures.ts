import Decimal from "decimal.js";
import { type Money, money } from "./money";
import { withEnding } from "./priceEnding";
import { type OfferTerms, type WithEnding } from "./terms";

/** What an offer makes of a price: for `pieces` pieces together. Nothing claimed is ever more than what is given. */
export interface OfferFigures {
  readonly pieces: number;
  readonly was: Money;
  readonly now: Money;
  readonly saving: Money;
  /** Whole percent, rounded down. */
  readonly percent: number;
  /** What one piece comes to, rounded up to a minor unit. */
  readonly each: Money;
}

/**
 * The figures of an offer on one product, or null for kinds that change no price (gift, free delivery, announcement) and
 * for bundles, which need the prices of all their products.
 *
 * Rounding: a percentage off is taken exactly and the new price rounded **down** to a whole minor unit, then brought to the
 * wanted ending; down, if nothing else is said, so that the customer gets at least the promised share. The saving is the
 * true difference of the two prices shown; the percentage shown is rounded **down**, and for a plain percentage never above
 * the promised one.
 *
 * Throws a RangeError, in words for people, when currencies differ or the offer would not lower the price.
 */
export function offerFigures(price: Money, terms: OfferTerms): OfferFigures | null {
  switch (terms.kind) {
    case "percent-off": {
      if (!(terms.percent > 0 && terms.percent <= 100))
        throw new RangeError(`A percentage off must be above 0 and at most 100, got ${terms.percent}.`);
      const left = new Decimal(100).minus(terms.percent).div(100);
      const figures = lowered(price, new Decimal(price.amount).times(left).floor().toNumber(), terms);
      return terms.ending === "exact"
        ? { ...figures, percent: Math.min(figures.percent, Math.floor(terms.percent)) }
        : figures;
    }
    case "money-off":
      sameCurrency(price, terms.amount);
      if (terms.amount.amount > price.amount) throw new RangeError("The amount off is more than the product costs.");
      return lowered(price, price.amount - terms.amount.amount, terms);
    case "new-price":
      sameCurrency(price, terms.price);
      if (terms.price.amount >= price.amount) throw new RangeError("The new price must be below the price before.");
      return between(1, price, terms.price);
    case "buy-x-get-y":
      return basketFigures(
        Array.from({ length: terms.buy + terms.free }, () => price),
        terms,
      );
    case "n-for": {
      const figures = basketFigures(
        Array.from({ length: terms.count }, () => price),
        terms,
      );
      if (figures.saving.amount <= 0)
        throw new RangeError(`${terms.count} pieces cost no more than that without the offer.`);
      return figures;
    }
    case "bundle-price":
    case "gift":
    case "free-delivery":
    case "announcement":
      return null;
  }
}

/**
 * The figures of a multi-buy on a basket of mixed prices. The dearest pieces are put together, group by group; of each
 * full group the cheapest are free, or the group costs its set price if that is lower. Pieces left over pay in full.
 */
export function basketFigures(
  prices: readonly Money[],
  terms: Extract<OfferTerms, { kind: "buy-x-get-y" | "n-for" }>,
): OfferFigures {
  const currency = prices[0]?.currency;
  if (!currency) throw new RangeError("A basket needs at least one piece.");
  prices.forEach((one) => sameCurrency(one, { currency }));
  if (terms.kind === "n-for") sameCurrency({ currency }, terms.price);
  const size = terms.kind === "n-for" ? terms.count : terms.buy + terms.free;
  const sorted = prices.map(({ amount }) => Number(amount)).sort((a, b) => b - a);
  let now = 0;
  for (let at = 0; at < sorted.length; at += size) {
    const group = sorted.slice(at, at + size);
    const full = sum(group);
    if (group.length < size) now += full;
    else now += terms.kind === "n-for" ? Math.min(full, terms.price.amount) : sum(group.slice(0, terms.buy));
  }
  return between(prices.length, money(sum(sorted), currency), money(now, currency));
}

/** The figures of a bundle: one piece of each product. Throws when it costs no less than its parts. */
export function bundleFigures(prices: readonly Money[], bundle: Money): OfferFigures {
  if (prices.length < 2) throw new RangeError("A bundle needs at least two products in its scope.");
  prices.forEach((one) => sameCurrency(one, bundle));
  const was = money(sum(prices.map(({ amount }) => amount)), bundle.currency);
  if (bundle.amount >= was.amount) throw new RangeError("The bundle must cost less than its parts.");
  return between(prices.length, was, bundle);
}

/** A price that is lowered to so many minor units, and from there brought to its ending; up, that may be no less than before. */
function lowered(was: Money, reduced: number, { ending, endingWay = "down" }: WithEnding): OfferFigures {
  const now = withEnding(money(reduced, was.currency), ending, endingWay);
  if (endingWay !== "down" && now.amount >= was.amount)
    throw new RangeError(`Ending in ${ending}, the price would be no lower than before.`);
  return between(1, was, now);
}

function between(pieces: number, was: Money, now: Money): OfferFigures {
  const saving = money(was.amount - now.amount, was.currency);
  const percent = was.amount === 0 ? 0 : new Decimal(saving.amount).times(100).div(was.amount).floor().toNumber();
  return { pieces, was, now, saving, percent, each: money(Math.ceil(now.amount / pieces), was.currency) };
}

const sum = (amounts: readonly number[]): number => amounts.reduce((total, amount) => total + amount, 0);

function sameCurrency(product: { readonly currency: string }, offer: { readonly currency: string }): void {
  if (product.currency !== offer.currency)
    throw new RangeError(`The offer is in ${offer.currency}, but the product is priced in ${product.currency}.`);
}
