import { type Facts } from "../../core/document/facts";
import { offerState } from "../../core/offer/validity";
import { type TeamScope } from "../db/teamScope";
import { todayIn } from "../media/mediaList";
import { chosenMedia, offeredSounds } from "../media/offeredMedia";
import { offersOn } from "../catalogue/offersOn";
import { brandById } from "../brand/brandById";
import { mediaOfTemplate } from "../../core/document/templatePackage";
import { mediaShown } from "../../core/document/named";
import { type WordsRole } from "../../core/document/wordsRole";
import { mainPictures } from "../catalogue/productPictures";
import { goneThings } from "./goneThings";
import { loadRenderInput } from "./loadFacts";
import { offeredTemplates } from "../templates/templateStore";
import { samplesFor } from "./samples";
import { promotionBySlug } from "./promotionStore";

/** Everything the Fill desk needs: the document, and all the team has that could go into it. */
export async function loadFillDesk(
  scope: TeamScope,
  slug: string,
  team: { readonly locale: string; readonly zone: string },
) {
  const [promotion, offered, offers] = await Promise.all([
    promotionBySlug(scope, slug),
    offeredTemplates(scope),
    scope.kept(scope.select("offer").selectAll().orderBy("starts_at")),
  ]);
  const today = todayIn(team.zone);
  const media = offered.flatMap(({ template }) => mediaOfTemplate(template));
  const chosen = promotion.document.product;
  const [input, shown, sounds, [product], samples, gone] = await Promise.all([
    loadRenderInput(scope, promotion.document, { list: true, withoutTones: true, media, known: { team, offers } }),
    chosenMedia(scope, mediaShown(promotion.document), today),
    offeredSounds(scope, today),
    chosen ? scope.kept(scope.select("product").selectAll().where("id", "=", chosen)) : [],
    samplesFor(scope, promotion.document.product),
    goneThings(scope, promotion.document),
  ]);
  const now = new Date();
  const smallPrint = offers.find(({ id }) => id === promotion.document.offer)?.small_print ?? "";
  const named = [...(input.facts.product ? [input.facts.product] : []), ...Object.values(input.facts.products)];
  const [onProduct, pictures, suggested] = await Promise.all([
    offersOn(scope, product ?? null, offers, { among: offers, locale: team.locale, now }),
    mainPictures(
      scope,
      named.map(({ id }) => id),
    ),
    suggestions(scope, promotion.document.brand, smallPrint),
  ]);
  // Any of them may be chosen as the promotion's own, which is shown with its picture.
  const products = Object.fromEntries(named.map((one) => [one.id, { ...one, picture: pictures.get(one.id) ?? null }]));
  // What the dialogs try out is shown too, and of what is chosen later the page learns when it is.
  const tried = [...samples.media, ...sounds.map(({ facts }) => facts)].map((item) => [item.id, item] as const);
  const all: Facts = { ...input.facts, products, media: { ...Object.fromEntries(tried), ...input.facts.media } };
  return {
    slug: promotion.slug,
    revision: promotion.revision,
    document: promotion.document,
    facts: all,
    onProduct,
    samples: samples.media,
    gone,
    // Pages come with the templates that ship.
    offered: offered.map(({ ref, template, own }) => ({ ref, template: own ? template : null })),
    suggestions: suggested,
    media: shown,
    sounds,
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
  const { calls, legal, contact } = (await brandById(scope, brandId)).book;
  return {
    call: calls,
    small: [smallPrint, ...legal].filter(Boolean),
    contact: [contact.website, contact.phone, contact.address, ...contact.handles].filter(Boolean),
  };
}
