import { type OfferFigures } from "../../core/offer/figures";
import { type Money, money, writePrice } from "../../core/offer/money";
import { type OfferLines } from "../../core/offer/offerLines";
import { type AppliedReduction, priorPriceFinding } from "../../core/offer/priorPrice";
import { figuresOrNull } from "../../core/offer/stacking";
import { type OfferWindow } from "../../core/offer/validity";
import { inScope } from "../../core/offer/scope";
import { type ProductRow, type ReadOffer } from "./offerOnProduct";

/** What a product cost, and what other offers made of that. */
interface PriceHistory {
  readonly price: Money;
  readonly steps: readonly { readonly from_at: Date; readonly price_minor: number; readonly currency: string }[];
  /** Other offers on the product that began before this one ends. */
  readonly others: readonly Pick<ReadOffer, "terms" | "window">[];
}

/** The other offers on a product that began before an offer ends: those that run at the same time, and those before it. */
export const othersOn = <Other extends ReadOffer & { readonly id: string }>(
  product: ProductRow,
  offers: readonly Other[],
  { id, window }: { readonly id: string; readonly window: OfferWindow },
): Other[] =>
  offers.filter((other) => other.id !== id && inScope(other.scope, product) && other.window.startsAt < window.endsAt);

/** What is wrong with the price before that an offer's lines show, in words; null where nothing is, or none is shown. */
export function claimProblem(
  { price, steps, others }: PriceHistory,
  lines: Pick<OfferLines, "was">,
  {
    figures,
    window,
    locale,
  }: { readonly figures: OfferFigures | null; readonly window: OfferWindow; readonly locale: string },
): string | null {
  if (!figures || lines.was === "") return null;
  const reductions = others.flatMap((other): AppliedReduction[] => {
    const reduced = figuresOrNull(price, other.terms);
    return reduced ? [{ from: other.window.startsAt, to: other.window.endsAt, price: reduced.each }] : [];
  });
  const history = steps.map((step) => ({ from: step.from_at, price: money(step.price_minor, step.currency) }));
  const finding = priorPriceFinding(price, history, reductions, window.startsAt);
  if (!finding) return null;
  return finding.kind === "no-history"
    ? `There is no price from before the offer starts, so ${writePrice(price, locale)} can’t be shown as the price before.`
    : `The price before may be at most ${writePrice(finding.lowest, locale)}: that was the lowest in the 30 days before the offer starts.`;
}
