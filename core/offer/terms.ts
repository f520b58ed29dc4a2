import { mixed, number, object, string, type ObjectSchema } from "yup";
import { type Money, money } from "./money";
import { ENDING_WAYS, type EndingWay, PRICE_ENDINGS, type PriceEnding } from "./priceEnding";
import { Refusal } from "../refusal";

/** How a reduced price ends. Without a way it is brought down. */
export interface WithEnding {
  readonly ending: PriceEnding;
  readonly endingWay?: EndingWay | undefined;
}

/** What an offer promises, by kind. Amounts are money; whole offers are for one currency. */
export type OfferTerms =
  /** `percent` may have two decimals, above 0 and at most 100. */
  | ({ readonly kind: "percent-off"; readonly percent: number } & WithEnding)
  | ({ readonly kind: "money-off"; readonly amount: Money } & WithEnding)
  | { readonly kind: "new-price"; readonly price: Money }
  /** Of every `buy + free` pieces, the `free` cheapest cost nothing. */
  | { readonly kind: "buy-x-get-y"; readonly buy: number; readonly free: number }
  | { readonly kind: "n-for"; readonly count: number; readonly price: Money }
  /** One piece of each product in scope, together. */
  | { readonly kind: "bundle-price"; readonly price: Money }
  | { readonly kind: "gift"; readonly gift: string; readonly leastSpend: Money | null }
  | { readonly kind: "free-delivery"; readonly leastSpend: Money | null }
  | { readonly kind: "announcement"; readonly text: string };

export type OfferKind = OfferTerms["kind"];

export const OFFER_KINDS = [
  "percent-off",
  "money-off",
  "new-price",
  "buy-x-get-y",
  "n-for",
  "bundle-price",
  "gift",
  "free-delivery",
  "announcement",
] as const satisfies readonly OfferKind[];

/** What each kind is called where one is chosen. */
export const OFFER_KIND_NAMES: Readonly<Record<OfferKind, string>> = {
  "percent-off": "percent off",
  "money-off": "money off",
  "new-price": "new price",
  "buy-x-get-y": "buy some, get some free",
  "n-for": "several for a price",
  "bundle-price": "bundle price",
  gift: "gift with purchase",
  "free-delivery": "free delivery",
  announcement: "plain announcement",
};

const MOST_PIECES = 100;

const kind = <Kind extends OfferKind>(value: Kind) =>
  string<Kind>()
    .oneOf([value] as const)
    .required();
const ending = string<PriceEnding>().oneOf(PRICE_ENDINGS, "Choose an ending from the list.").required();
const endingWay = string<EndingWay>().oneOf(ENDING_WAYS, "Choose a way from the list.").optional();
const moneySchema = object({
  amount: number().integer().min(0, "A price is never below zero.").max(Number.MAX_SAFE_INTEGER).required(),
  currency: string()
    .matches(/^[A-Z]{3}$/)
    .required(),
})
  .required()
  .transform((value: { amount: number; currency: string }) => value);
const pieces = (least: number) =>
  number()
    .integer("Whole pieces only.")
    .min(least, `At least ${least}.`)
    .max(MOST_PIECES, `At most ${MOST_PIECES}.`)
    .required("Write how many.");
const words = (most: number) =>
  string().trim().max(most, `At most ${most} characters.`).required("Write it in a few words.");
const spend = mixed<Money>((value): value is Money => moneySchema.isValidSync(value))
  .nullable()
  .defined();

const SCHEMAS: Readonly<Record<OfferKind, ObjectSchema<object>>> = {
  "percent-off": object({
    kind: kind("percent-off"),
    ending,
    endingWay,
    percent: number()
      .moreThan(0, "More than 0 percent.")
      .max(100, "At most 100 percent.")
      .required("Write how many percent, such as 15.")
      .test("decimals", "At most two decimals.", (value) => Math.abs(value * 100 - Math.round(value * 100)) < 1e-9),
  }),
  "money-off": object({
    kind: kind("money-off"),
    ending,
    endingWay,
    amount: moneySchema.test("something", "Write an amount above zero.", ({ amount }) => amount > 0),
  }),
  "new-price": object({ kind: kind("new-price"), price: moneySchema }),
  "buy-x-get-y": object({ kind: kind("buy-x-get-y"), buy: pieces(1), free: pieces(1) }),
  "n-for": object({ kind: kind("n-for"), count: pieces(2), price: moneySchema }),
  "bundle-price": object({ kind: kind("bundle-price"), price: moneySchema }),
  gift: object({ kind: kind("gift"), gift: words(40), leastSpend: spend }),
  "free-delivery": object({ kind: kind("free-delivery"), leastSpend: spend }),
  announcement: object({ kind: kind("announcement"), text: words(60) }),
};

export const isOfferKind = (value: unknown): value is OfferKind => OFFER_KINDS.some((kind) => kind === value);

/** Reads an offer's terms at any door. Throws Yup's ValidationError, with a problem for each field. */
export function readOfferTerms(value: unknown): OfferTerms {
  const found: unknown = typeof value === "object" && value !== null && "kind" in value ? value.kind : undefined;
  if (!isOfferKind(found)) throw new Refusal("An offer must be of one of the known kinds.");
  return revived(
    SCHEMAS[found].validateSync(value, { strict: true, abortEarly: false, stripUnknown: true }) as OfferTerms,
  );
}

/** Amounts get their brand back after JSON. */
function revived(terms: OfferTerms): OfferTerms {
  const whole = (price: Money): Money => money(price.amount, price.currency);
  switch (terms.kind) {
    case "money-off":
      return { ...terms, amount: whole(terms.amount) };
    case "new-price":
    case "n-for":
    case "bundle-price":
      return { ...terms, price: whole(terms.price) };
    case "gift":
    case "free-delivery":
      return { ...terms, leastSpend: terms.leastSpend && whole(terms.leastSpend) };
    case "percent-off":
    case "buy-x-get-y":
    case "announcement":
      return terms;
  }
}
