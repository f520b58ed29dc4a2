import Decimal from "decimal.js";
import { type MinorUnits, minorUnits } from "../units";
import { Refusal } from "../refusal";
import { numberFormat } from "../text/formatters";

export interface Money {
  readonly amount: MinorUnits;
  /** ISO 4217 code. */
  readonly currency: string;
}

/** Decimal places by ISO 4217, for the codes whose minor unit is not a hundredth. */
const OTHER_DIGITS: Readonly<Record<string, number>> = {
  BIF: 0,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  ISK: 0,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  PYG: 0,
  RWF: 0,
  UGX: 0,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
  BHD: 3,
  IQD: 3,
  JOD: 3,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  TND: 3,
};

/** How many decimal places a currency has: 2 for GBP, 0 for JPY, 3 for BHD (ISO 4217). */
export const minorDigits = (currency: string): number => OTHER_DIGITS[currency] ?? 2;

export const money = (amount: number, currency: string): Money => ({ amount: minorUnits(amount), currency });

/**
 * Reads a typed price such as `24`, `24.00` or `1,250.5`. A comma is a decimal sign when it is the only sign and one or
 * two digits (three for three-digit currencies) follow. Throws, naming what it got, when it is not a price.
 */
export function parsePrice(typed: string, currency: string): Money {
  const digits = minorDigits(currency);
  const bare = typed
    .trim()
    .replace(/^[^\d-]+|[^\d]+$/g, "")
    .replace(/[\s\u00a0\u202f']/g, "");
  const commaIsDecimal =
    !bare.includes(".") && new RegExp(`^\\d+,\\d{1,${Math.max(1, Math.min(2, digits))}}$`).test(bare);
  const plain = commaIsDecimal ? bare.replace(",", ".") : bare.replace(/,(?=\d{3}(\D|$))/g, "");
  if (!/^\d{1,12}(\.\d+)?$/.test(plain)) throw new Refusal(`“${typed}” is not a price. Write it like 24.00.`);
  const minor = new Decimal(plain).times(new Decimal(10).pow(digits));
  if (!minor.isInteger()) throw new Refusal(`“${typed}” has more decimal places than ${currency} has (${digits}).`);
  return money(minor.toNumber(), currency);
}

/** The amount as plain decimal text without a currency sign: 2400 GBP is `24.00`. */
export function plainAmount(price: Money): string {
  const digits = minorDigits(price.currency);
  return new Decimal(price.amount).div(new Decimal(10).pow(digits)).toFixed(digits);
}

/**
 * A price written for people, in a locale. Whole amounts drop their zeros when `short` (£24), never otherwise (£24.00).
 * Called on the server only: browsers may carry other locale data, and words in a proof must equal those in the render.
 */
export function writePrice(price: Money, locale: string, style: "short" | "full" = "full"): string {
  const digits = minorDigits(price.currency);
  const whole = price.amount % 10 ** digits === 0;
  const shown = style === "short" && whole ? 0 : digits;
  return numberFormat(locale, {
    style: "currency",
    currency: price.currency,
    minimumFractionDigits: shown,
    maximumFractionDigits: shown,
  }).format(new Decimal(price.amount).div(new Decimal(10).pow(digits)).toNumber());
}
