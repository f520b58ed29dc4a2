import { type Facts, type MediaFacts } from "../../core/document/facts";
import { type OfferLines } from "../../core/offer/offerLines";
import { offerState } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { mediaList } from "../media/mediaList";
import { linesFor, loadRenderInput } from "./loadFacts";
import { promotionBySlug } from "./promotionStore";

/** Everything the Fill desk needs: the document, and all the team has that could go into it. */
export async function loadFillDesk(scope: TeamScope, slug: string) {
  const promotion = await promotionBySlug(scope, slug);
  const [input, media, products, offers, team] = await Promise.all([
    loadRenderInput(scope, promotion.document),
    mediaList(scope),
    scope.products().selectAll().orderBy("name").execute(),
    scope.offers().selectAll().orderBy("starts_at").execute(),
    scope.team().select("locale").executeTakeFirstOrThrow(),
  ]);
  const all: Record<string, MediaFacts> = { ...input.facts.media };
  for (const { facts } of media) if (facts) all[facts.id] = facts;
  const product = products.find(({ id }) => id === promotion.document.product);
  const lines: Record<string, OfferLines | null> = Object.fromEntries(offers.map((offer) => [offer.id, product ? linesFor(product, offer, team.locale) : null]));
  const facts: Facts = { ...input.facts, media: all };
  const now = new Date();
  return {
    slug: promotion.slug,
    revision: promotion.revision,
    document: promotion.document,
    facts,
    lines,
    media: media.filter((item) => item.state === "ready"),
    products: products.map(({ id, name, line, picture_media_id }) => ({ id, name, line, picture: picture_media_id })),
    offers: offers.map((offer) => ({ id: offer.id, name: offer.name, state: offerState({ startsAt: offer.starts_at, endsAt: offer.ends_at, zone: offer.zone }, now) })),
  };
}
