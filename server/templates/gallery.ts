import { mediaShown } from "../../core/document/named";
import { type Facts } from "../../core/document/facts";
import { needsInWords, needsOf, templateLength } from "../../core/document/needs";
import { newPromotion } from "../../core/document/newPromotion";
import { type Promotion } from "../../core/document/promotion";
import { mediaOfTemplate } from "../../core/document/templatePackage";
import { PURPOSES, type Purpose, type Template } from "../../core/document/template";
import { inScope } from "../../core/offer/scope";
import { offerState } from "../../core/offer/validity";
import { SHIPPED_BY_REF } from "../../core/templates/shipped";
import { findByWords } from "../../core/text/findByWords";
import { brandsOf } from "../brand/brandBook";
import { readOffer } from "../catalogue/offerOnProduct";
import { type TeamScope } from "../db/teamScope";
import { isId } from "../ids";
import { loadRenderInput } from "../promotions/loadFacts";
import { type Samples, firstFills, samplesFor } from "../promotions/samples";
import { type OfferedTemplate, offeredTemplates } from "./templateStore";

export const LENGTHS = [6, 10, 15, 30] as const;
/** Who looks for a length takes what is hardly longer or shorter. */
const LENGTH_MS_APART = 1000;
export const NEEDS = ["words only", "one picture", "several pictures", "clips", "an offer"] as const;
export const SHELVES = ["all", "favourites", "recent", "own"] as const;

/** Which templates to show, and filled with what. Empty texts ask for nothing. */
export interface GalleryQuery {
  readonly words: string;
  readonly purpose: Purpose | "";
  /** Seconds; 0 for any. */
  readonly length: number;
  readonly needs: (typeof NEEDS)[number] | "";
  readonly shelf: (typeof SHELVES)[number];
  readonly product: string;
  readonly brand: string;
}

/** Reads a query from an address. What is not understood counts as not asked for. */
export function readGalleryQuery(params: URLSearchParams): GalleryQuery {
  const id = (name: string): string => (isId(params.get(name)) ? (params.get(name) ?? "") : "");
  return {
    words: (params.get("words") ?? "").trim().slice(0, 100),
    purpose: PURPOSES.find((one) => one === params.get("purpose")) ?? "",
    length: LENGTHS.find((one) => String(one) === params.get("length")) ?? 0,
    needs: NEEDS.find((one) => one === params.get("needs")) ?? "",
    shelf: SHELVES.find((one) => one === params.get("shelf")) ?? "all",
    product: id("product"),
    brand: id("brand"),
  };
}

/** A template in the gallery with a document that shows it. */
export interface GalleryCard extends Omit<OfferedTemplate, "template"> {
  /** Null for one that ships, which pages have already. */
  readonly template: Template | null;
  /** What its preview is filled with, besides what comes from brand, product and offer. */
  readonly fills: Promotion["fills"];
  readonly seconds: number;
  readonly needs: string;
  readonly favourite: boolean;
}

const MOST_PRODUCTS = 200;

/** The templates that answer a query, with everything their previews show in a brand, with a product. */
export async function loadGallery(scope: TeamScope, memberId: string, query: GalleryQuery) {
  const [offered, liked, used, { brands, working }] = await Promise.all([
    offeredTemplates(scope),
    scope.select("template_favourite").where("member_id", "=", memberId).select("slug").execute(),
    recentlyUsed(scope),
    brandsOf(scope, memberId),
  ]);
  const favourites = new Set(liked.map(({ slug }) => slug));
  const { items: found, near } = findByWords(
    byShelf(offered, query.shelf, favourites, used.slugs),
    ({ template }) => [
      ...[template.name, template.about, template.purpose],
      ...template.scenes.map(({ name }) => name),
    ],
    query.words,
  );
  const shown = found.filter((one) => answers(one, query));
  const chosenBrand = brands.find(({ id }) => id === query.brand) ?? working;
  const usedLast = used.products.get(chosenBrand?.id ?? "") ?? "";
  const products = await productsToShow(scope, [query.product, usedLast].filter(isId));
  const common = {
    favourites: [...favourites],
    brands: brands.map(({ id, name }) => ({ id, name })),
    brand: chosenBrand?.id ?? null,
    products: products.map(({ id, name }) => ({ id, name })),
    near,
    total: offered.length,
    counts: purposeCounts(offered),
  };
  const none: GalleryCard[] = [];
  if (!chosenBrand) return { ...common, product: null, offer: null, facts: null, cards: none };
  const product =
    products.find(({ id }) => id === query.product) ??
    products.find(({ id }) => id === usedLast) ??
    products[0] ??
    null;
  const offer = product ? await offerFor(scope, product) : null;
  const samples = await samplesFor(scope, product?.id ?? null);
  const previews = shown.map((one) =>
    previewOf(one, { brand: chosenBrand.id, product: product?.id ?? null, offer }, samples),
  );
  const cards = shown.map(({ ref, template, own }, index): GalleryCard => ({
    ref,
    own,
    template: own ? template : null,
    fills: previews[index]?.fills ?? {},
    seconds: templateLength(template) / 1000,
    needs: needsInWords(needsOf(template)),
    favourite: favourites.has(ref.slug),
  }));
  const [first] = previews;
  const media = shown.flatMap(({ template }, index) => [
    ...(previews[index] ? mediaShown(previews[index]) : []),
    ...mediaOfTemplate(template),
  ]);
  const templates = shown.map(({ ref }) => ref);
  const facts: Facts | null = first
    ? (await loadRenderInput(scope, first, { media, templates, withoutTones: true })).facts
    : null;
  return { ...common, product: product?.id ?? null, offer, facts: facts && withoutShipped(facts), cards };
}

/** Products that previews can be about, by name: the first of them, and some that are wanted wherever they stand. */
async function productsToShow(scope: TeamScope, wanted: readonly string[]) {
  const ask = () => scope.select("product").select(["id", "name", "tags"]).orderBy("name").orderBy("id");
  const [first, others] = await Promise.all([
    scope.kept(ask().limit(MOST_PRODUCTS)),
    wanted.length > 0 ? scope.kept(ask().where("id", "in", wanted)) : [],
  ]);
  const listed = new Set(first.map(({ id }) => id));
  return [...first, ...others.filter(({ id }) => !listed.has(id))];
}

/** What a card shows: a promotion of its template as it would begin. */
const previewOf = (
  { ref, template }: OfferedTemplate,
  chosen: { readonly brand: string; readonly product: string | null; readonly offer: string | null },
  samples: Samples,
): Promotion => newPromotion(ref, template, { ...chosen, name: template.name, fills: firstFills(template, samples) });

/** Pages have the templates that ship. */
const withoutShipped = (facts: Facts): Facts => ({
  ...facts,
  templates: Object.fromEntries(Object.entries(facts.templates).filter(([key]) => !(key in SHIPPED_BY_REF))),
});

function byShelf(
  offered: readonly OfferedTemplate[],
  shelf: GalleryQuery["shelf"],
  favourites: ReadonlySet<string>,
  recent: readonly string[],
): OfferedTemplate[] {
  switch (shelf) {
    case "all":
      return [...offered];
    case "favourites":
      return offered.filter(({ ref }) => favourites.has(ref.slug));
    case "own":
      return offered.filter(({ own }) => own);
    case "recent":
      return recent.flatMap((slug) => offered.find(({ ref }) => ref.slug === slug) ?? []);
  }
}

function answers({ template }: OfferedTemplate, { purpose, length, needs }: GalleryQuery): boolean {
  if (purpose !== "" && template.purpose !== purpose) return false;
  if (length > 0 && Math.abs(templateLength(template) - length * 1000) > LENGTH_MS_APART) return false;
  const { pictures, clips, offer } = needsOf(template);
  switch (needs) {
    case "words only":
      return pictures + clips === 0;
    case "one picture":
      return pictures === 1 && clips === 0;
    case "several pictures":
      return pictures > 1;
    case "clips":
      return clips > 0;
    case "an offer":
      return offer;
    case "":
      return true;
  }
}

function purposeCounts(offered: readonly OfferedTemplate[]): { purpose: Purpose; count: number }[] {
  return PURPOSES.map((purpose) => ({
    purpose,
    count: offered.filter(({ template }) => template.purpose === purpose).length,
  })).filter(({ count }) => count > 0);
}

const RECENT = 30;

/** Templates by when a promotion was last made with them, and what each brand's newest promotion is about. */
async function recentlyUsed(scope: TeamScope): Promise<{ slugs: string[]; products: Map<string, string> }> {
  const rows = await scope
    .select("promotion")
    .select(["brand_id", "product_id", "template_slug"])
    .orderBy("created_at", "desc")
    .limit(RECENT)
    .execute();
  const products = new Map<string, string>();
  for (const { brand_id, product_id } of rows)
    if (brand_id !== null && product_id !== null && !products.has(brand_id)) products.set(brand_id, product_id);
  return { slugs: [...new Set(rows.flatMap(({ template_slug }) => template_slug ?? []))], products };
}

/** A running offer that is for a product, else one that begins soon; null when there is none. */
async function offerFor(
  scope: TeamScope,
  product: { readonly id: string; readonly tags: readonly string[] },
): Promise<string | null> {
  const offers = await scope.kept(scope.select("offer").selectAll().orderBy("starts_at"));
  const now = new Date();
  const fitting = offers
    .filter((offer) => inScope(readOffer(offer).scope, product))
    .map((offer) => ({
      id: offer.id,
      state: offerState({ startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone }, now),
    }));
  return (
    (fitting.find(({ state }) => state === "running") ?? fitting.find(({ state }) => state !== "ended"))?.id ?? null
  );
}
