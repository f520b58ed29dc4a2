import { type Facts, type MediaFacts } from "../../core/document/facts";
import { newPromotion } from "../../core/document/newPromotion";
import { mediaOfTemplate } from "../../core/document/templatePackage";
import { type Template } from "../../core/document/template";
import { same } from "../../core/document/patch";
import { type TemplateDocument, listedTemplate, templateDocument } from "../../core/document/templateDocument";
import { applyTemplateEdit } from "../../core/document/templateEdits";
import { readTemplate, readTemplateDocument } from "../../core/document/templateSchema";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { EMPTY_TEMPLATE } from "../../core/templates/empty";
import { shippedRef, isShippedSlug } from "../../core/templates/shipped";
import { brandsOf } from "../brand/brandBook";
import { firstLetters } from "../../core/text/cleanText";
import { type TeamScope } from "../db/teamScope";
import { type EditResult, type SentEdits, applyEach } from "../edits/applyEach";
import { tellTeam } from "../events/teamEvents";
import { notThere } from "../promotions/goneThings";
import { loadRenderInput } from "../promotions/loadFacts";
import { samplesFor } from "../promotions/samples";
import { freeSlug, slugOf } from "../../core/text/slug";
import { takenSlugs } from "../promotions/takenSlugs";
import { newestTemplate } from "./templateStore";
import { Refusal } from "../../core/refusal";

const missing = (slug: string): Response =>
  new Response(`There is no template “${slug}” that your team can change. Templates that ship are copied first.`, {
    status: 404,
  });

/** The row of one of the team's own templates, kept from others until the end of the transaction where it is to be changed. */
async function ownTemplate(scope: TeamScope, slug: string, { isToBeChanged = false } = {}) {
  const query = scope.select("template").where("slug", "=", slug).where("removed_at", "is", null).selectAll();
  const row = await (isToBeChanged ? query.forUpdate() : query).executeTakeFirst();
  if (!row) throw missing(slug);
  return row;
}

/** The draft of a template as it is now. Throws a 404 for templates that are not the team's own. */
export async function draftBySlug(
  scope: TeamScope,
  slug: string,
): Promise<{ readonly revision: number; readonly document: TemplateDocument }> {
  const { revision, draft } = await ownTemplate(scope, slug);
  return { revision, document: readTemplateDocument(draft) };
}

const MOST_NAME = 60;
const UNNAMED = "New template";
const LEFT_AFTER_MS = 60_000;

/**
 * Begins a template of the team's own, as a draft: from nothing, or as a copy of one that is there. Gives its address. A draft
 * that was begun from nothing and never touched is gone on with.
 *
 * @param typed what it is to be called; cut where it is longer than names are
 */
export async function startTemplate(scope: TeamScope, typed: string, from: string | null): Promise<string> {
  const name = firstLetters(typed.trim(), MOST_NAME) || UNNAMED;
  const untouched = from === null && name === UNNAMED ? await untouchedDraft(scope) : null;
  if (untouched !== null) return untouched;
  const source = from === null ? EMPTY_TEMPLATE : (await newestTemplate(scope, from))?.template;
  if (!source) throw missing(from ?? "");
  return scope.together(async (within) => {
    const taken = await takenSlugs(within, "template");
    const wanted = slugOf(name).replace(/^promotion-/, "template-");
    if (isShippedSlug(wanted)) taken.add(wanted);
    const slug = freeSlug(wanted, taken);
    const draft = readTemplateDocument(templateDocument({ ...source, slug, name }));
    await within
      .insert("template", { slug, name, draft: JSON.stringify(draft), edition: 0, removed_at: null })
      .execute();
    return slug;
  });
}

async function untouchedDraft(scope: TeamScope): Promise<string | null> {
  const row = await scope
    .select("template")
    .select("slug")
    .where("name", "=", UNNAMED)
    .where("edition", "=", 0)
    .where("revision", "=", 1)
    .where("removed_at", "is", null)
    // Somebody else may have begun a younger one just now.
    .where("updated_at", "<", new Date(Date.now() - LEFT_AFTER_MS))
    .executeTakeFirst();
  return row?.slug ?? null;
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
  const row = await ownTemplate(scope, slug);
  const { brands, working } = await brandsOf(scope, memberId);
  const product = await scope
    .select("product_picture")
    .innerJoin("product", "product.id", "product_picture.product_id")
    .select("product.id")
    .orderBy("product.name")
    .limit(1)
    .executeTakeFirst();
  const samples = await samplesFor(scope, product?.id ?? null);
  const document = readTemplateDocument(row.draft);
  return {
    slug,
    revision: row.revision,
    edition: row.edition,
    document,
    brands: brands.map(({ id, name }) => ({ id, name })),
    brand: working?.id ?? null,
    samples: samples.media,
    hasProductPicture: samples.hasProductPicture,
    factsByBrand: await sampleFacts(
      scope,
      brands.map(({ id }) => id),
      product?.id ?? null,
      samples.media,
      listedTemplate(document),
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
  const also = { media: [...media.map(({ id }) => id), ...mediaOfTemplate(draft)], list: true, withoutTones: true };
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

/** What somebody changed of a draft. */
export interface DraftEdits extends SentEdits {
  /** Who did, as others are told. */
  readonly by: string;
}

/** Puts edits on the newest revision of a draft, as `saveEdits` does for promotions. */
export async function saveDraftEdits(
  scope: TeamScope,
  slug: string,
  { base, edits, by }: DraftEdits,
): Promise<EditResult<TemplateDocument>> {
  const result = await scope.together<EditResult<TemplateDocument>>(async (within) => {
    const row = await ownTemplate(within, slug, { isToBeChanged: true });
    const current = readTemplateDocument(row.draft);
    const { document, taken, refused } = await applyEach(current, edits, async (before, edit) => {
      const after = applyTemplateEdit(before, edit);
      // The address is what promotions and people know it by.
      if (after.slug !== before.slug) throw new Refusal("The address of a template can't be changed.");
      await checkMedia(within, listedTemplate(before), listedTemplate(after));
      return after;
    });
    const isTold = row.revision !== base || refused.length > 0;
    if (taken.length === 0) return { revision: row.revision, document: isTold ? current : null, refused };
    const revision = row.revision + 1;
    await within
      .update("template")
      .set({ draft: JSON.stringify(document), name: document.name, revision, updated_at: new Date() })
      .where("id", "=", row.id)
      .execute();
    return { revision, document: isTold ? document : null, refused };
  });
  if (result.refused.length < edits.length)
    await tellTeam(scope.connection, scope.teamId, { topic: "template", slug, revision: result.revision, by });
  return result;
}

/**
 * Publishes the draft as a new edition. Promotions stay on theirs. Gives the edition; the newest there is when
 * nothing has changed since.
 */
export async function publishDraft(scope: TeamScope, memberId: string, slug: string): Promise<number> {
  return scope.together(async (within) => {
    const row = await ownTemplate(within, slug, { isToBeChanged: true });
    const draft = readTemplateDocument(row.draft);
    const newest =
      row.edition > 0
        ? await within
            .select("template_edition")
            .where("template_id", "=", row.id)
            .where("edition", "=", row.edition)
            .select("document")
            .executeTakeFirst()
        : undefined;
    if (newest && same(readTemplate(newest.document), listedTemplate(draft))) return row.edition;
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

/** What is newly shown must be the team's own. What was shown before may be gone by now. */
async function checkMedia(scope: TeamScope, before: Template, after: Template): Promise<void> {
  const known = new Set(mediaOfTemplate(before));
  const named = mediaOfTemplate(after).filter((id) => !known.has(id));
  const [missing] = await notThere(
    scope,
    named.map((id) => ({ kind: "media", id }) as const),
  );
  if (missing) throw new Refusal("A picture of the template is not in your team's media.");
}
