import { money, writePrice } from "../../core/offer/money";
import { offerBadge } from "../../core/offer/offerLines";
import { figuresOrNull, resolveStacked } from "../../core/offer/stacking";
import { unitPrice } from "../../core/offer/unitPrice";
import { firstDay, lastDay, offerState, wallTime } from "../../core/offer/validity";
import { sql } from "kysely";
import { type TeamScope } from "../db/teamScope";
import { claimProblem, othersOn } from "./priceClaim";
import { contentOf } from "./productContent";
import { countProducts } from "./productList";
import { type OfferRow, bundlePrices, linesOrReason, readOffer } from "./offerOnProduct";

/** The team's offers as a list shows them, in the order they start. */
export async function listOffers(scope: TeamScope, locale: string, now: Date) {
  const rows = await scope.kept(scope.select("offer").selectAll().orderBy("starts_at").orderBy("name"));
  return rows.map((row) => {
    const { terms, scope: on, window } = readOffer(row);
    return {
      id: row.id,
      name: row.name,
      terms,
      on,
      zone: row.zone,
      code: row.code,
      small_print: row.small_print,
      limits: row.limits,
      badge: offerBadge(terms, locale),
      state: offerState(window, now),
      starts: wallTime(row.starts_at, row.zone),
      ends: wallTime(row.ends_at, row.zone),
      from: firstDay(window, locale),
      until: lastDay(window, locale),
      /** Whole days in the offer's zone, for a calendar. */
      days: {
        from: wallTime(row.starts_at, row.zone).slice(0, 10),
        to: wallTime(new Date(row.ends_at.getTime() - 1), row.zone).slice(0, 10),
      },
    };
  });
}

/** One product in an offer's scope, with its figures. */
export interface OfferSheetRow {
  readonly id: string;
  readonly name: string;
  readonly was: string;
  readonly now: string;
  readonly saving: string;
  readonly percent: string;
  readonly unit: string;
  readonly short: string;
  readonly long: string;
  /** Why the offer gives no figures here. */
  readonly reason: string | null;
  /** What is wrong with the price before, in words. */
  readonly finding: string | null;
  /** Another offer that applies instead by the stacking rule. */
  readonly instead: string | null;
}

export const SHEET_ROWS = 60;

interface OfferSheet {
  readonly rows: readonly OfferSheetRow[];
  /** Of all products in scope; the rows may be the first of them. */
  readonly count: number;
}

/** The sheet of a saved offer. Throws a 404 where there is none. */
export async function offerSheet(scope: TeamScope, offerId: string, locale: string): Promise<OfferSheet> {
  const [offer] = await scope.kept(scope.select("offer").selectAll().where("id", "=", offerId));
  if (!offer) throw new Response("There is no such offer in your team.", { status: 404 });
  return sheetOf(scope, offer, { locale, most: SHEET_ROWS });
}

/** What an offer makes of each product in its scope, with the 30-day rule and offers on top of each other looked at. */
export async function sheetOf(
  scope: TeamScope,
  offer: OfferRow & { readonly id: string; readonly name: string },
  { locale, most }: { readonly locale: string; readonly most: number },
): Promise<OfferSheet> {
  const { terms, scope: on, window } = readOffer(offer);
  let chosen = scope.select("product");
  if (on.on === "products") chosen = chosen.where("id", "in", [...on.products]);
  if (on.on === "tags") chosen = chosen.where(sql<boolean>`tags && ${[...on.tags]}::text[]`);
  const [products, count, otherRows, bundle] = await Promise.all([
    scope.kept(chosen.selectAll().orderBy("name").limit(most)),
    countProducts(scope, chosen),
    scope.kept(scope.select("offer").selectAll().where("id", "!=", offer.id)),
    bundlePrices(scope, offer),
  ]);
  const steps =
    products.length > 0
      ? await scope.kept(
          scope
            .select("price_step")
            .selectAll()
            .where(
              "product_id",
              "in",
              products.map(({ id }) => id),
            ),
        )
      : [];
  const read = otherRows.map((row) => ({ id: row.id, name: row.name, endsAt: row.ends_at, ...readOffer(row) }));
  const rows = products.map((product): OfferSheetRow => {
    const price = money(product.price_minor, product.currency);
    const lines = linesOrReason(product, offer, locale, bundle);
    const blank = {
      id: product.id,
      name: product.name,
      was: "",
      now: "",
      saving: "",
      percent: "",
      unit: "",
      short: "",
      long: "",
      reason: null,
      finding: null,
      instead: null,
    };
    if ("reason" in lines) return { ...blank, was: writePrice(price, locale), reason: lines.reason };
    const figures = figuresOrNull(price, terms);
    const content = contentOf(product);
    const each = figures && content ? unitPrice(figures.each, content) : null;
    const others = othersOn(product, read, { id: offer.id, window });
    const stacked = resolveStacked(price, [
      { id: offer.id, name: offer.name, terms, endsAt: offer.ends_at },
      ...others.filter((other) => other.window.endsAt > window.startsAt),
    ]);
    const ownSteps = steps.filter(({ product_id }) => product_id === product.id);
    const claim = claimProblem({ price, steps: ownSteps, others }, lines, { figures, window, locale });
    return {
      ...blank,
      ...lines,
      // What may not be claimed is not said.
      ...(claim !== null && { short: lines.now, long: lines.plain }),
      finding: claim,
      percent: figures ? `${figures.percent} %` : "",
      saving: figures ? writePrice(figures.saving, locale) : "",
      unit: each ? `${writePrice(each.price, locale)} / ${each.per}` : "",
      // A gift or free delivery competes with no price.
      instead: figures && stacked && stacked.offer.id !== offer.id ? stacked.offer.name : null,
    };
  });
  return { rows, count };
}
