import { type Facts, type MediaFacts } from "../../core/document/facts";
import { type OfferLines } from "../../core/offer/offerLines";
import { offerState } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { mediaList } from "../media/mediaList";
import { bundlePrices, linesOrReason } from "../catalogue/offerOnProduct";
import { readBrandBook } from "../../core/brand/book";
import { type WordsRole } from "../../core/document/template";
import { money, writePrice } from "../../core/offer/money";
import { mainPictures } from "../catalogue/productPictures";
import { goneThings } from "./goneThings";
import { loadRenderInput } from "./loadFacts";
import { offeredTemplates } from "../templates/templateStore";
import { samplesFor } from "./samples";
import { promotionBySlug } from "./promotionStore";

const MOST_OFFERED = 500;

/** Everything the Fill desk needs: the document, and all the team has that could go into it. */
export async function loadFillDesk(scope: TeamScope, slug: string, zone: string) {
  const promotion = await promotionBySlug(scope, slug);
  const [input, media, products, offers, team, offered, samples, gone] = await Promise.all([
    loadRenderInput(scope, promotion.document, { list: true }),
    mediaList(scope, zone),
    scope.select("product").selectAll().orderBy("name").limit(MOST_OFFERED).execute(),
    scope.select("offer").selectAll().orderBy("starts_at").execute(),
    scope.team().select("locale").executeTakeFirstOrThrow(),
    offeredTemplates(scope),
    samplesFor(scope, promotion.document.product),
    goneThings(scope, promotion.document),
  ]);
  const all: Record<string, MediaFacts> = {};
  for (const { facts } of media) if (facts) all[facts.id] = facts;
  // What the document shows comes with its tones; of the others the page fetches them when they are chosen.
  Object.assign(all, input.facts.media);
  // The chosen product is always among the offered ones, however many there are.
  const chosen = promotion.document.product;
  const product =
    products.find(({ id }) => id === chosen) ??
    (chosen ? await scope.select("product").selectAll().where("id", "=", chosen).executeTakeFirst() : undefined);
  if (product && !products.includes(product)) products.unshift(product);
  const lines: Record<string, OfferLines | null> = {};
  for (const offer of offers) {
    const found = product ? linesOrReason(product, offer, team.locale, await bundlePrices(scope, offer)) : null;
    lines[offer.id] = found && !("reason" in found) ? found : null;
  }
  const pictures = await mainPictures(
    scope,
    products.map(({ id }) => id),
  );
  const facts: Facts = { ...input.facts, media: all };
  const now = new Date();
  return {
    slug: promotion.slug,
    revision: promotion.revision,
    document: promotion.document,
    facts,
    lines,
    samples: samples.media,
    gone,
    offered: offered.map(({ ref, template }) => ({ ref, template })),
    suggestions: await suggestions(
      scope,
      promotion.document.brand,
      offers.find(({ id }) => id === promotion.document.offer)?.small_print ?? "",
    ),
    media: media.filter((item) => item.state === "ready"),
    products: products.map(({ id, name, line, price_minor, currency }) => ({
      id,
      name,
      line,
      price: writePrice(money(price_minor, currency), team.locale),
      picture: pictures.get(id) ?? null,
    })),
    offers: offers.map((offer) => ({
      id: offer.id,
      name: offer.name,
      state: offerState({ startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone }, now),
    })),
  };
}

/** Words of the brand book, and of the offer, to pick from where a slot of their role is filled. */
async function suggestions(
  scope: TeamScope,
  brandId: string,
  smallPrint: string,
): Promise<Partial<Record<WordsRole, readonly string[]>>> {
  const { book } = await scope.select("brand").select("book").where("id", "=", brandId).executeTakeFirstOrThrow();
  const { calls, legal, contact } = readBrandBook(book);
  return {
    call: calls,
    small: [smallPrint, ...legal].filter(Boolean),
    contact: [contact.website, contact.phone, contact.address, ...contact.handles].filter(Boolean),
  };
}
