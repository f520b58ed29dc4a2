import { capital } from "../text/capital";
import { bundleFigures, type OfferFigures, offerFigures } from "./figures";
import { type Money, writePrice } from "./money";
import { type OfferTerms, type WithEnding } from "./terms";
import { type OfferWindow, lastDay } from "./validity";
import { numberFormat } from "../text/formatters";

/** An offer on a product, written out for the slots of a promotion. A line that has nothing to say is empty. */
export interface OfferLines {
  /** Empty for offers that change no price. */
  readonly was: string;
  readonly now: string;
  /** The offer in two or three words: `15 % off`, `3 for 2`, `free delivery`. */
  readonly badge: string;
  readonly saving: string;
  /** The figures of the saving alone: `£3`, `25 %`. */
  readonly saved: string;
  readonly percent: string;
  readonly until: string;
  /** The day alone: `Sunday 29 November`. */
  readonly lastDay: string;
  /** `£12 → £9`, or the badge where no price changes. */
  readonly short: string;
  /** A whole sentence. */
  readonly long: string;
  /** The same without the price before, where that may not be claimed. */
  readonly plain: string;
}

/** The product an offer is written out for. */
export interface OfferedProduct {
  readonly name: string;
  readonly price: Money;
  /** The prices of all products of a bundle, this one's among them. */
  readonly bundle?: readonly Money[];
}

const NBSP = "\u00a0";

/**
 * Writes an offer on a product out in words, with figures and dates in a locale. Called on the server only, as writePrice.
 * Throws as `offerFigures` and `bundleFigures` do.
 */
export function offerLines(
  product: OfferedProduct,
  terms: OfferTerms,
  window: OfferWindow,
  locale: string,
): OfferLines {
  const figures =
    terms.kind === "bundle-price"
      ? bundleFigures(product.bundle ?? [product.price], terms.price)
      : offerFigures(product.price, terms);
  const day = lastDay(window, locale);
  const until = `Until ${day}`;
  if (!figures) {
    const badge = offerBadge(terms, locale);
    return {
      was: "",
      now: writeShort(product.price, locale),
      badge,
      saving: "",
      saved: "",
      percent: "",
      until,
      lastDay: day,
      short: badge,
      long: `${capital(badge)} with ${product.name}, until ${day}`,
      plain: `${capital(badge)} with ${product.name}, until ${day}`,
    };
  }
  const write = pairWriter(figures, locale);
  const [was, now] = [write(figures.was), write(figures.now)];
  const badge =
    terms.kind === "percent-off" ||
    terms.kind === "new-price" ||
    terms.kind === "money-off" ||
    terms.kind === "bundle-price"
      ? savingBadge(figures, terms, locale)
      : offerBadge(terms, locale);
  const several = figures.pieces > 1 && terms.kind !== "bundle-price" ? `${figures.pieces} × ` : "";
  const andMore = terms.kind === "bundle-price" ? " and more" : "";
  return {
    was,
    now,
    badge,
    until,
    lastDay: day,
    saving: `You save ${writeShort(figures.saving, locale)}`,
    saved: writeShort(figures.saving, locale),
    percent: `${number(figures.percent, locale)}${NBSP}%`,
    short: `${was} → ${now}`,
    long: `${several}${product.name}${andMore}: ${now} instead of ${was}, until ${day}`,
    plain: `${several}${product.name}${andMore}: ${now}, until ${day}`,
  };
}

/** What an offer promises, in two or three words, without a product: for lists and badges. */
export function offerBadge(terms: OfferTerms, locale: string): string {
  switch (terms.kind) {
    case "percent-off":
      return aboutSaving(`${number(terms.percent, locale)}${NBSP}% off`, terms);
    case "money-off":
      return aboutSaving(`${writeShort(terms.amount, locale)} off`, terms);
    case "new-price":
      return `now ${writeShort(terms.price, locale)}`;
    case "buy-x-get-y":
      return `${terms.buy + terms.free} for ${terms.buy}`;
    case "n-for":
      return `${terms.count} for ${writeShort(terms.price, locale)}`;
    case "bundle-price":
      return `together ${writeShort(terms.price, locale)}`;
    case "gift":
      return `free ${terms.gift}${fromSpend(terms.leastSpend, locale)}`;
    case "free-delivery":
      return `free delivery${fromSpend(terms.leastSpend, locale)}`;
    case "announcement":
      return terms.text;
  }
}

/** What is promised of all products, where an ending makes more or less of it for each. */
function aboutSaving(saving: string, { ending, endingWay = "down" }: WithEnding): string {
  if (ending === "exact") return saving;
  return { down: `${saving} or more`, nearest: `about ${saving}`, up: `up to ${saving}` }[endingWay];
}

/** The badge of a lowered price: the whole percent where that is at least one, else the saving. */
function savingBadge(figures: OfferFigures, terms: OfferTerms, locale: string): string {
  if (terms.kind === "money-off") return `${writeShort(figures.saving, locale)} off`;
  return figures.percent >= 1
    ? `${number(figures.percent, locale)}${NBSP}% off`
    : `save ${writeShort(figures.saving, locale)}`;
}

const fromSpend = (least: Money | null, locale: string): string => (least ? ` from ${writeShort(least, locale)}` : "");
const writeShort = (price: Money, locale: string): string => writePrice(price, locale, "short");
const number = (value: number, locale: string): string =>
  numberFormat(locale, { maximumFractionDigits: 2 }).format(value);

/** Two prices side by side are both short, or both with their decimals. */
function pairWriter({ was, now }: OfferFigures, locale: string): (price: Money) => string {
  const bothWhole = [was, now].every((price) => writeShort(price, locale) !== writePrice(price, locale));
  return (price) => writePrice(price, locale, bothWhole ? "short" : "full");
}
