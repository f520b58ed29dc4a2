import { type RightsState } from "../../core/document/rights";
import { mediaShown } from "../../core/document/named";
import { type Facts, type MediaFacts } from "../../core/document/facts";
import { refsOf } from "../../core/document/refs";
import { mediaOfTemplate } from "../../core/document/templatePackage";
import { MOST_ROWS, type Promotion, type TemplateRef } from "../../core/document/promotion";
import { ownFamilies } from "../faces/ownFonts";
import { brandFacts } from "../brand/brandFacts";
import { brandById } from "../brand/brandById";
import { offersOn } from "../catalogue/offersOn";
import { SAID_OF_PRODUCT, productFacts } from "../catalogue/productFacts";
import { mainPictures } from "../catalogue/productPictures";
import { type Selectable, sql } from "kysely";
import { type Database } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { ownPlacements } from "../placements/ownPlacements";
import { mediaFacts } from "../media/storedFacts";
import { rightsOf, todayIn } from "../media/mediaList";
import { withTones } from "../media/tones";
import { type RenderInput } from "../render/renderInput";
import { templatesByRef } from "../templates/templateStore";

/** What to look up besides what the document names. */
interface Also {
  readonly media?: readonly string[];
  readonly templates?: readonly TemplateRef[];
  /** Whether a list of products is wanted though no scene shows one yet. */
  readonly list?: boolean;
  /** Leaves out what pictures are like place by place: whoever lays words over them asks for it (`browserTones.ts`). */
  readonly withoutTones?: boolean;
  /** What the caller knows already, and need not be asked for again: the team, and all of its offers. */
  readonly known?: {
    readonly team: { readonly locale: string; readonly zone: string };
    readonly offers: readonly Selectable<Database["offer"]>[];
  };
}

/** Everything of the team that a document's frames can depend on, with the hash of each media item. */
export async function loadRenderInput(scope: TeamScope, document: Promotion, also: Also = {}): Promise<RenderInput> {
  const [team, brand, [product], offers, own, templates, placements] = await Promise.all([
    also.known?.team ?? scope.team().select(["locale", "zone"]).executeTakeFirstOrThrow(),
    brandById(scope, document.brand),
    document.product ? scope.kept(scope.select("product").selectAll().where("id", "=", document.product)) : [],
    // What other offers made of a price counts for what may be said of it.
    document.offer ? (also.known?.offers ?? scope.kept(scope.select("offer").selectAll())) : [],
    ownFamilies(scope),
    templatesByRef(scope, [...refsOf(document), ...(also.templates ?? [])]),
    ownPlacements(scope),
  ]);
  const offer = offers.find(({ id }) => id === document.offer);
  const picture = product ? ((await mainPictures(scope, [product.id])).get(product.id) ?? null) : null;
  const used = new Set([
    ...mediaShown(document),
    ...brand.book.logos.map(({ media }) => media),
    ...Object.values(document.lanes).map(({ media }) => media),
    ...(picture === null ? [] : [picture]),
    ...(also.media ?? []),
    ...Object.values(templates).flatMap(mediaOfTemplate),
  ]);
  const rows =
    used.size > 0
      ? await scope.kept(
          scope
            .media()
            .selectAll()
            .where("id", "in", [...used])
            .where("state", "=", "ready"),
        )
      : [];
  const logos = new Set(brand.book.logos.map(({ media }) => media));
  const media: Record<string, MediaFacts> = {};
  const hashes: Record<string, string> = {};
  const rights: Record<string, RightsState> = {};
  const today = todayIn(team.zone);
  for (const row of rows) {
    const facts = mediaFacts(row);
    if (!facts) continue;
    media[row.id] = also.withoutTones || logos.has(row.id) ? facts : await withTones(facts, row.sha256);
    hashes[row.id] = row.sha256;
    rights[row.id] = rightsOf(row, today);
  }
  const asked = { among: offers, locale: team.locale, now: new Date() };
  const onProduct = offer ? (await offersOn(scope, product ?? null, [offer], asked))[offer.id] : undefined;
  const facts: Facts = {
    ...(placements ? { placements } : {}),
    brand: brandFacts(brand, media, own),
    product: product ? productFacts(product, picture, team.locale) : null,
    offer: onProduct?.lines ?? null,
    ...(also.list || listsProducts(templates)
      ? await priceList(scope, document, product ?? null, team.locale)
      : { products: {}, listed: [] }),
    templates,
    media,
    standing: { rights, offer: onProduct?.standing ?? null, today },
  };
  return { document, facts, hashes };
}

const listsProducts = (templates: Facts["templates"]): boolean =>
  Object.values(templates).some(({ scenes }) =>
    scenes.some(({ slots }) => slots.some(({ kind }) => kind === "products")),
  );

/**
 * Products for price lists: those that fills name, and those shown where nothing is filled: what shares a tag with the
 * promotion's product, by name.
 */
async function priceList(
  scope: TeamScope,
  document: Promotion,
  product: { readonly id: string; readonly tags: readonly string[] } | null,
  locale: string,
): Promise<Pick<Facts, "products" | "listed">> {
  const named = Object.values(document.fills).flatMap((fill) => (fill.kind === "products" ? fill.products : []));
  const tagged =
    product && product.tags.length > 0
      ? scope.select("product").where(sql<boolean>`tags && ${product.tags}::text[]`)
      : scope.select("product");
  const usual = await scope.kept(tagged.select("id").where("in_stock", "=", true).orderBy("name").limit(MOST_ROWS));
  const ids = [...new Set([...named, ...usual.map(({ id }) => id)])];
  const rows =
    ids.length > 0 ? await scope.kept(scope.select("product").select(SAID_OF_PRODUCT).where("id", "in", ids)) : [];
  const listed = usual.map(({ id }) => id);
  // The product it is about leads the list.
  if (product && listed.includes(product.id)) listed.unshift(...listed.splice(listed.indexOf(product.id), 1));
  return { products: Object.fromEntries(rows.map((row) => [row.id, productFacts(row, null, locale)])), listed };
}
