import { type Money, writePrice } from "./money";
import { type Reduction, reduce } from "./reduction";
import { type OfferWindow, lastDay } from "./validity";

/** An offer on a product, written out for the slots of a promotion. */
export interface OfferLines {
  readonly was: string;
  readonly now: string;
  /** `15 % off`, or `save £4` where under a whole percent is saved. */
  readonly badge: string;
  readonly saving: string;
  readonly until: string;
}

/** Writes an offer on a price out in words. Throws as `reduce` does. */
export function offerLines(was: Money, reduction: Reduction, window: OfferWindow, locale: string): OfferLines {
  const reduced = reduce(was, reduction);
  const whole = (price: Money): string => writePrice(price, locale, "short");
  const bothWhole = [reduced.was, reduced.now].every((price) => whole(price) !== writePrice(price, locale));
  const write = (price: Money): string => writePrice(price, locale, bothWhole ? "short" : "full");
  return {
    was: write(reduced.was),
    now: write(reduced.now),
    badge: reduced.percent >= 1 ? `${reduced.percent}\u00a0% off` : `save ${whole(reduced.saving)}`,
    saving: `You save ${whole(reduced.saving)}`,
    until: `Until ${lastDay(window, locale)}`,
  };
}
