import { ValidationError, object, string } from "yup";
import { type Money, parsePrice } from "../../core/offer/money";
import { type OfferScope, readOfferScope } from "../../core/offer/scope";
import { OFFER_KINDS, type OfferTerms, isOfferKind, readOfferTerms } from "../../core/offer/terms";
import { instantOf } from "../../core/offer/validity";
import { readTags } from "../../core/catalogue/productRow";
import { type TeamScope } from "../db/teamScope";
import { type ReadForm, readForm } from "../formProblems";
import { isZone } from "../auth/setUp";
import { type Marked, markNaming } from "../promotions/outdated";
import { usesInWords, usesOf } from "../usage/usesOf";
import { dayAndTime, words } from "../doors/fields";

const typed = words(80);

const form = object({
  id: string()
    .uuid()
    .nullable()
    .transform((value: unknown) => (value === "" ? null : value))
    .default(null),
  name: words(80).required("An offer needs a name, such as “Potting week”."),
  kind: string().oneOf(OFFER_KINDS, "Choose a kind from the list.").required(),
  percent: typed,
  amount: typed,
  price: typed,
  buy: typed,
  free: typed,
  count: typed,
  gift: typed,
  text: typed,
  leastSpend: typed,
  ending: string().default("exact"),
  endingWay: string().default("down"),
  on: string()
    .oneOf(["all", "products", "tags"] as const, "Choose what the offer is for.")
    .default("all"),
  products: string().default(""),
  tags: string().default(""),
  starts: dayAndTime(),
  ends: dayAndTime(),
  zone: string().test("zone", "Write a time zone such as Europe/London.", (zone) => zone === undefined || isZone(zone)),
  code: words(30),
  small_print: words(300),
  limits: words(120),
});

/** What was typed of an offer, read: as its row holds it, with no id where it is new. */
export interface TypedOffer {
  readonly id: string | null;
  readonly name: string;
  readonly terms: OfferTerms;
  readonly scope: OfferScope;
  readonly currency: string;
  readonly starts_at: Date;
  readonly ends_at: Date;
  readonly zone: string;
  readonly code: string;
  readonly small_print: string;
  readonly limits: string;
}

/** An offer as a form says it. Times are read in the offer's zone, else the team's. */
export async function readOfferForm(
  scope: TeamScope,
  team: { currency: string; zone: string },
  data: FormData,
): Promise<ReadForm<TypedOffer>> {
  const read = await readForm(form, data);
  if (!read.ok) return read;
  const { id, name, starts, ends, code, small_print, limits, zone = team.zone, ...rest } = read.values;
  const problems: Record<string, string> = {};
  const terms = readTerms(rest, team.currency, problems);
  const on = await readScope(scope, rest, problems);
  const [starts_at, ends_at] = [instantOf(starts, zone), instantOf(ends, zone)];
  if (ends_at <= starts_at) problems["ends"] = "The end must come after the start.";
  if (terms?.kind === "bundle-price" && !(on?.on === "products" && on.products.length >= 2))
    problems["products"] = "A bundle is made of chosen products: mark at least two.";
  if (!terms || !on || Object.keys(problems).length > 0) return { ok: false, problems };
  const { currency } = team;
  const values = { id, name, terms, scope: on, currency, starts_at, ends_at, zone, code, small_print, limits };
  return { ok: true, values };
}

/** Adds an offer, or changes one when the form names it. */
export async function saveOffer(
  scope: TeamScope,
  team: { currency: string; zone: string },
  data: FormData,
): Promise<ReadForm<{ readonly id: string; readonly outdated: Marked }>> {
  const read = await readOfferForm(scope, team, data);
  if (!read.ok) return read;
  const { id, ...typed } = read.values;
  const { name, terms, scope: on } = typed;
  const values = { ...typed, terms: JSON.stringify(terms), scope: JSON.stringify(on) };
  const row = id
    ? await scope.update("offer").set(values).where("id", "=", id).returning("id").executeTakeFirst()
    : await scope.insert("offer", values).returning("id").executeTakeFirst();
  if (!row) throw new Response("There is no such offer in your team.", { status: 404 });
  return {
    ok: true,
    values: { id: row.id, outdated: await markNaming(scope, [row.id], `the offer ${name} was changed`) },
  };
}

type Typed = Readonly<
  Record<
    | "percent"
    | "amount"
    | "price"
    | "buy"
    | "free"
    | "count"
    | "gift"
    | "text"
    | "leastSpend"
    | "ending"
    | "endingWay"
    | "kind",
    string
  >
>;

function readTerms(typed: Typed, currency: string, problems: Record<string, string>): OfferTerms | null {
  const money = (field: "amount" | "price" | "leastSpend"): Money | null => {
    try {
      return parsePrice(typed[field], currency);
    } catch (error) {
      problems[field] = error instanceof Error ? error.message : String(error);
      return null;
    }
  };
  const number = (field: "percent" | "buy" | "free" | "count"): number | undefined =>
    typed[field] === "" ? undefined : Number(typed[field].replace(",", "."));
  const leastSpend = (): Money | null => (typed.leastSpend === "" ? null : money("leastSpend"));
  const { kind, ending, endingWay } = typed;
  if (!isOfferKind(kind)) return null;
  const ends = ending === "exact" ? { ending } : { ending, endingWay };
  const made = {
    "percent-off": () => ({ kind, percent: number("percent"), ...ends }),
    "money-off": () => ({ kind, amount: money("amount"), ...ends }),
    "new-price": () => ({ kind, price: money("price") }),
    "buy-x-get-y": () => ({ kind, buy: number("buy"), free: number("free") }),
    "n-for": () => ({ kind, count: number("count"), price: money("price") }),
    "bundle-price": () => ({ kind, price: money("price") }),
    gift: () => ({ kind, gift: typed.gift, leastSpend: leastSpend() }),
    "free-delivery": () => ({ kind, leastSpend: leastSpend() }),
    announcement: () => ({ kind, text: typed.text }),
  }[kind]();
  if (Object.keys(problems).length > 0) return null;
  try {
    return readOfferTerms(made);
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    for (const one of error.inner.length > 0 ? error.inner : [error])
      problems[(one.path ?? "kind").split(".")[0] ?? "kind"] ??= Number.isNaN(one.value)
        ? "Write a number."
        : one.message;
    return null;
  }
}

async function readScope(
  scope: TeamScope,
  { on, products, tags }: { on: string; products: string; tags: string },
  problems: Record<string, string>,
): Promise<OfferScope | null> {
  try {
    const read = readOfferScope(
      on === "products"
        ? { on, products: products.split(",").filter(Boolean) }
        : on === "tags"
          ? { on, tags: readTags(tags) }
          : { on: "all" },
    );
    if (read.on !== "products") return read;
    const own = await scope
      .select("product")
      .select("id")
      .where("id", "in", [...read.products])
      .execute();
    if (own.length === new Set(read.products).size) return read;
    problems["products"] = "A chosen product is not in your catalogue any more. Mark them again.";
  } catch (error) {
    problems[on] = error instanceof Error ? error.message : String(error);
  }
  return null;
}

/** Removes an offer unless a promotion uses it; says which then. */
export async function removeOffer(scope: TeamScope, id: string): Promise<string | null> {
  const uses = await usesOf(scope, id);
  if (uses.length > 0) return `This offer is used in ${usesInWords(uses)}. Choose another there first.`;
  await scope.remove("offer").where("id", "=", id).execute();
  return null;
}
