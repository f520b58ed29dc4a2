import { type Facts, type MediaFacts } from "../../core/document/facts";
import { newPromotion } from "../../core/document/newPromotion";
import { mediaOfTemplate } from "../../core/document/templatePackage";
import { type Template } from "../../core/document/template";
import { readTemplate } from "../../core/document/templateSchema";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { EMPTY_TEMPLATE } from "../../core/templates/empty";
import { shippedRef, shippedTemplate } from "../../core/templates/shipped";
import { brandsOf } from "../brand/brandBook";
import { type TeamScope } from "../db/teamScope";
import { loadRenderInput } from "../promotions/loadFacts";
import { samplesFor } from "../promotions/samples";
import { freeSlug, slugOf } from "../promotions/slug";
import { newestTemplate } from "./templateStore";

const missing = (slug: string): Response =>
  new Response(`There is no template “${slug}” that your team can change. Templates that ship are copied first.`, {
    status: 404,
  });

/** Begins a template of the team's own, as a draft: from nothing, or as a copy of one that is there. Gives its address. */
export async function startTemplate(scope: TeamScope, name: string, from: string | null): Promise<string> {
  const source = from === null ? EMPTY_TEMPLATE : (await newestTemplate(scope, from))?.template;
  if (!source) throw missing(from ?? "");
  return scope.together(async (within) => {
    const taken = new Set((await within.select("template").select("slug").execute()).map(({ slug }) => slug));
    const wanted = slugOf(name).replace(/^promotion-/, "template-");
    if (shippedTemplate(wanted)) taken.add(wanted);
    const slug = freeSlug(wanted, taken);
    const draft = readTemplate({ ...source, slug, name });
    await within
      .insert("template", { slug, name, draft: JSON.stringify(draft), edition: 0, removed_at: null })
      .execute();
    return slug;
  });
}

/** Drafts of the team that nobody can fill yet. */
export async function unpublished(scope: TeamScope): Promise<{ slug: string; name: string }[]> {
  return scope
    .select("template")
    .where("edition", "=", 0)
    .where("removed_at", "is", null)
    .select(["slug", "name"])
    .orderBy("name")
    .execute();
}

/**
 * Everything the workshop needs: the draft, and what its proofs are filled with. Throws a 404 for templates that are
 * not the team's own.
 */
export async function loadWorkshop(scope: TeamScope, memberId: string, slug: string) {
  const row = await scope
    .select("template")
    .where("slug", "=", slug)
    .where("removed_at", "is", null)
    .selectAll()
    .executeTakeFirst();
  if (!row) throw missing(slug);
  const { brands, working } = await brandsOf(scope, memberId);
  const product = await scope
    .select("product_picture")
    .innerJoin("product", "product.id", "product_picture.product_id")
    .select("product.id")
    .orderBy("product.name")
    .limit(1)
    .executeTakeFirst();
  const samples = await samplesFor(scope, product?.id ?? null);
  const draft = readTemplate(row.draft);
  return {
    slug,
    revision: row.revision,
    edition: row.edition,
    draft,
    brands: brands.map(({ id, name }) => ({ id, name })),
    brand: working?.id ?? null,
    samples: samples.media,
    hasProductPicture: samples.hasProductPicture,
    factsByBrand: await sampleFacts(
      scope,
      brands.map(({ id }) => id),
      product?.id ?? null,
      samples.media,
      draft,
    ),
  };
}

/** What proofs of a draft can show in each brand: a product with an offer on it where there is one, media at hand. */
async function sampleFacts(
  scope: TeamScope,
  brands: readonly string[],
  product: string | null,
  media: readonly MediaFacts[],
  draft: Template,
): Promise<Record<string, Facts>> {
  const [first] = brands;
  if (first === undefined) return {};
  const ref = shippedRef(ONE_OFFER);
  const also = { media: [...media.map(({ id }) => id), ...mediaOfTemplate(draft)], list: true };
  const factsOf = async (brand: string, offer: string | null): Promise<Facts> => {
    const document = newPromotion(ref, ONE_OFFER, { name: "Sample", brand, product, offer });
    return (await loadRenderInput(scope, document, also)).facts;
  };
  // Whether an offer applies to a product is the same in every brand, so it is asked in one.
  const offers = await scope.select("offer").select("id").orderBy("starts_at").limit(20).execute();
  let applying: string | null = null;
  for (const { id } of offers) {
    if (!(await factsOf(first, id)).offer) continue;
    applying = id;
    break;
  }
  return Object.fromEntries(
    await Promise.all(brands.map(async (brand) => [brand, await factsOf(brand, applying)] as const)),
  );
}

export type DraftSaved = { readonly kind: "saved"; readonly revision: number } | { readonly kind: "conflict" };

/** Saves a draft made on a revision. When someone else has saved since, nothing is changed. Throws Yup's ValidationError. */
export async function saveDraft(scope: TeamScope, slug: string, base: number, document: unknown): Promise<DraftSaved> {
  const draft = readTemplate(document);
  return scope.together(async (within) => {
    const row = await within
      .select("template")
      .where("slug", "=", slug)
      .where("removed_at", "is", null)
      .selectAll()
      .forUpdate()
      .executeTakeFirst();
    if (!row) throw missing(slug);
    if (row.revision !== base) return { kind: "conflict" };
    await checkMedia(within, draft);
    await within
      .update("template")
      .set({ draft: JSON.stringify({ ...draft, slug }), name: draft.name, revision: base + 1, updated_at: new Date() })
      .where("slug", "=", slug)
      .execute();
    return { kind: "saved", revision: base + 1 };
  });
}

/**
 * Publishes the draft as a new edition. Promotions stay on theirs. Gives the edition; the newest there is when
 * nothing has changed since.
 */
export async function publishDraft(scope: TeamScope, memberId: string, slug: string): Promise<number> {
  return scope.together(async (within) => {
    const row = await within
      .select("template")
      .where("slug", "=", slug)
      .where("removed_at", "is", null)
      .selectAll()
      .forUpdate()
      .executeTakeFirst();
    if (!row) throw missing(slug);
    const draft = readTemplate(row.draft);
    const newest =
      row.edition > 0
        ? await within
            .select("template_edition")
            .where("template_id", "=", row.id)
            .where("edition", "=", row.edition)
            .select("document")
            .executeTakeFirst()
        : undefined;
    if (newest && JSON.stringify(readTemplate(newest.document)) === JSON.stringify(draft)) return row.edition;
    const edition = row.edition + 1;
    await within
      .insert("template_edition", {
        template_id: row.id,
        edition,
        document: JSON.stringify(draft),
        member_id: memberId,
      })
      .execute();
    await within.update("template").set({ edition, updated_at: new Date() }).where("id", "=", row.id).execute();
    return edition;
  });
}

/** Takes a template out of the gallery. Promotions made with it stay as they are. */
export async function removeTemplate(scope: TeamScope, slug: string): Promise<void> {
  const { numUpdatedRows } = await scope
    .update("template")
    .set({ removed_at: new Date() })
    .where("slug", "=", slug)
    .where("removed_at", "is", null)
    .executeTakeFirst();
  if (numUpdatedRows === 0n) throw missing(slug);
}

async function checkMedia(scope: TeamScope, draft: Template): Promise<void> {
  const media = mediaOfTemplate(draft);
  const own = media.length === 0 ? [] : await scope.media().select("id").where("id", "in", media).execute();
  if (own.length < media.length) throw new TypeError("A picture of the template is not in your team's media.");
}
