import { mayChangeLocked } from "../auth/roles";
import { type Edit, applyEdit } from "../../core/document/edits";
import { PROMOTION_VERSION, type Promotion, readPromotion } from "../../core/document/promotion";
import { scenesOf } from "../../core/document/design";
import { lockProblem, promotionProblem, refsOf } from "../../core/document/locks";
import { type Role } from "../db/tables";
import { newestTemplate, templatesByRef } from "../templates/templateStore";
import { workingBrand } from "../brand/brandBook";
import { type TeamScope } from "../db/teamScope";
import { firstFills, samplesFor } from "./samples";
import { freeSlug, slugOf } from "./slug";

export interface StoredPromotion {
  readonly id: string;
  readonly slug: string;
  readonly revision: number;
  readonly document: Promotion;
  readonly updatedAt: Date;
}

const NOT_FOUND = (): Response => new Response("There is no such promotion in your team.", { status: 404 });

/** A promotion of the team by its slug. Throws a 404 when there is none. */
export async function promotionBySlug(scope: TeamScope, slug: string): Promise<StoredPromotion> {
  const row = await scope.promotions().selectAll().where("slug", "=", slug).executeTakeFirst();
  if (!row) throw NOT_FOUND();
  return {
    id: row.id,
    slug: row.slug,
    revision: row.revision,
    document: readPromotion(row.document),
    updatedAt: row.updated_at,
  };
}

export async function allPromotions(scope: TeamScope): Promise<StoredPromotion[]> {
  const rows = await scope.promotions().selectAll().orderBy("updated_at", "desc").execute();
  return rows.map((row) => ({
    id: row.id,
    slug: row.slug,
    revision: row.revision,
    document: readPromotion(row.document),
    updatedAt: row.updated_at,
  }));
}

const LEAST_TUNE_MS = 10_000;

/** Makes a promotion from a template, a product and an offer: a filled first version, since all slots have a source. */
export async function createPromotion(
  scope: TeamScope,
  chosen: { template: string; product: string; offer: string | null; name?: string },
  memberId: string | null,
): Promise<StoredPromotion> {
  const offered = await newestTemplate(scope, chosen.template);
  if (!offered) throw new Response(`There is no template “${chosen.template}” in your team.`, { status: 404 });
  const { ref, template } = offered;
  const product = await scope.products().select(["id", "name"]).where("id", "=", chosen.product).executeTakeFirst();
  if (!product) throw new Response("There is no such product in your team.", { status: 404 });
  const offer = chosen.offer
    ? await scope.offers().select("id").where("id", "=", chosen.offer).executeTakeFirst()
    : null;
  if (chosen.offer && !offer) throw new Response("There is no such offer in your team.", { status: 404 });
  const brand = await workingBrand(scope, memberId);
  if (!brand)
    throw new Response("Fill in your brand book first: a promotion needs colours and typefaces.", { status: 409 });
  // The house tune, or the first sound that plays a while: an effect of a second is no music bed.
  const tune =
    brand.book.tune ??
    (
      await scope
        .media()
        .select("id")
        .where("kind", "=", "sound")
        .where("state", "=", "ready")
        .where("length_ms", ">=", LEAST_TUNE_MS)
        .orderBy("name")
        .executeTakeFirst()
    )?.id ??
    null;
  const name = chosen.name ?? `${product.name}: ${template.name.toLowerCase()}`.slice(0, 80);
  const document = readPromotion({
    version: PROMOTION_VERSION,
    name,
    template: ref,
    brand: brand.id,
    product: product.id,
    offer: offer?.id ?? null,
    tune,
    scenes: scenesOf(ref, template),
    fills: firstFills(template, await samplesFor(scope, product.id)),
    changes: {},
    spare: [],
  });
  return scope.together(async (within) => {
    const taken = new Set((await within.promotions().select("slug").execute()).map((row) => row.slug));
    const row = await within
      .addPromotion({ slug: freeSlug(slugOf(name), taken), name, document: JSON.stringify(document) })
      .returning(["id", "slug", "revision", "updated_at"])
      .executeTakeFirstOrThrow();
    await within
      .addRevision({
        promotion_id: row.id,
        revision: row.revision,
        document: JSON.stringify(document),
        member_id: memberId,
      })
      .execute();
    return { id: row.id, slug: row.slug, revision: row.revision, document, updatedAt: row.updated_at };
  });
}

export type EditResult =
  | { readonly kind: "saved"; readonly revision: number; readonly document: Promotion }
  | { readonly kind: "conflict"; readonly revision: number; readonly document: Promotion };

/** Applies edits made on a revision. When someone else has saved since, nothing is changed and their version is given. */
export async function saveEdits(
  scope: TeamScope,
  slug: string,
  base: number,
  edits: readonly Edit[],
  member: { readonly id: string; readonly role: Role },
): Promise<EditResult> {
  return scope.together(async (within) => {
    const row = await within.promotions().selectAll().where("slug", "=", slug).forUpdate().executeTakeFirst();
    if (!row) throw NOT_FOUND();
    const current = readPromotion(row.document);
    if (row.revision !== base) return { kind: "conflict", revision: row.revision, document: current };
    const document = edits.reduce(applyEdit, current);
    await checkDesign(within, current, document, member.role);
    await checkReferences(within, document);
    const revision = row.revision + 1;
    const json = JSON.stringify(document);
    await within
      .changePromotion()
      .set({ document: json, revision, name: document.name, updated_at: new Date() })
      .where("id", "=", row.id)
      .execute();
    await within.addRevision({ promotion_id: row.id, revision, document: json, member_id: member.id }).execute();
    return { kind: "saved", revision, document };
  });
}

/** What is filled must be what the templates take, and what they lock stays as it is, whoever asks; designers and owners may. */
async function checkDesign(scope: TeamScope, before: Promotion, after: Promotion, role: Role): Promise<void> {
  const templates = await templatesByRef(scope, [...refsOf(before), ...refsOf(after)]);
  const problem =
    promotionProblem(after, templates) ?? (mayChangeLocked(role) ? null : lockProblem(before, after, templates));
  if (problem) throw new TypeError(problem);
}

/** What a document names must be the team's own. */
async function checkReferences(scope: TeamScope, document: Promotion): Promise<void> {
  const media = [
    ...new Set([
      ...Object.values(document.fills).flatMap((fill) => (fill.kind === "media" ? [fill.media] : [])),
      ...(document.tune ? [document.tune] : []),
    ]),
  ];
  const own = media.length === 0 ? [] : await scope.media().select("id").where("id", "in", media).execute();
  const listed = [
    ...new Set(Object.values(document.fills).flatMap((fill) => (fill.kind === "products" ? fill.products : []))),
  ];
  const products = listed.length === 0 ? [] : await scope.products().select("id").where("id", "in", listed).execute();
  if (products.length < listed.length) throw new TypeError("A listed product is not in your catalogue.");
  if (own.length < media.length) throw new TypeError("A chosen media item is not in your team's media.");
  if (document.product && !(await scope.products().select("id").where("id", "=", document.product).executeTakeFirst()))
    throw new TypeError("The chosen product is not in your catalogue.");
  if (document.offer && !(await scope.offers().select("id").where("id", "=", document.offer).executeTakeFirst()))
    throw new TypeError("The chosen offer is not in your catalogue.");
}
