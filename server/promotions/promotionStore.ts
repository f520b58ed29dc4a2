import { mayChangeLocked } from "../auth/roles";
import { applyEdit } from "../../core/document/edits";
import { newPromotion } from "../../core/document/newPromotion";
import { type Promotion, readPromotion } from "../../core/document/promotion";
import { type NamedThing, newlyNamed } from "../../core/document/named";
import { lockProblem, promotionProblem } from "../../core/document/locks";
import { refsOf } from "../../core/document/refs";
import { type Role } from "../db/tables";
import { newestTemplate, templatesByRef } from "../templates/templateStore";
import { workingBrand } from "../brand/brandBook";
import { type TeamScope } from "../db/teamScope";
import { type EditResult, type SentEdits, applyEach } from "../edits/applyEach";
import { tellTeam } from "../events/teamEvents";
import { notThere } from "./goneThings";
import { askForCheck } from "../review/askForCheck";
import { keepRevision } from "./revisions";
import { firstFills, samplesFor } from "./samples";
import { freeSlug, slugOf } from "../../core/text/slug";
import { takenSlugs } from "./takenSlugs";
import { Refusal } from "../../core/refusal";
import { kindProblem } from "./mediaKinds";
import { firstLetters } from "../../core/text/cleanText";
import { isId } from "../ids";
import { readStored } from "./readStored";

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
  const row = await scope.select("promotion").selectAll().where("slug", "=", slug).executeTakeFirst();
  if (!row) throw NOT_FOUND();
  return {
    id: row.id,
    slug: row.slug,
    revision: row.revision,
    document: readStored(row.document),
    updatedAt: row.updated_at,
  };
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
  const product = isId(chosen.product)
    ? await scope.select("product").select(["id", "name"]).where("id", "=", chosen.product).executeTakeFirst()
    : undefined;
  if (!product) throw new Response("There is no such product in your team.", { status: 404 });
  const offer = isId(chosen.offer)
    ? await scope.select("offer").select("id").where("id", "=", chosen.offer).executeTakeFirst()
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
  const name = chosen.name ?? firstLetters(`${product.name}: ${template.name.toLowerCase()}`, MOST_NAME);
  const document = readPromotion(
    newPromotion(ref, template, {
      name,
      brand: brand.id,
      product: product.id,
      offer: offer?.id ?? null,
      tune,
      fills: firstFills(template, await samplesFor(scope, product.id)),
    }),
  );
  return addPromotion(scope, document, memberId);
}

const MOST_NAME = 80;

/** Makes a promotion that is the same as another one, under a name of its own. It goes its own way from then on. */
export async function copyPromotion(scope: TeamScope, slug: string, memberId: string | null): Promise<StoredPromotion> {
  const { id, document } = await promotionBySlug(scope, slug);
  const { campaign } = await scope
    .select("promotion")
    .select("campaign")
    .where("id", "=", id)
    .executeTakeFirstOrThrow();
  const taken = new Set((await scope.select("promotion").select("name").execute()).map(({ name }) => name));
  const named = (count: number): string => {
    const ending = count === 1 ? ", copy" : `, copy ${count}`;
    return `${firstLetters(document.name, MOST_NAME - ending.length)}${ending}`;
  };
  let count = 1;
  while (taken.has(named(count))) count++;
  return addPromotion(scope, { ...document, name: named(count) }, memberId, campaign);
}

/**
 * Puts a new promotion into the team, with a slug of its own and its first revision.
 *
 * @param campaign what it is filed under; nothing for none
 */
export async function addPromotion(
  scope: TeamScope,
  document: Promotion,
  memberId: string | null,
  campaign = "",
): Promise<StoredPromotion> {
  const { name } = document;
  return scope.together(async (within) => {
    const taken = await takenSlugs(within, "promotion");
    const row = await within
      .insert("promotion", {
        ...{ slug: freeSlug(slugOf(name), taken), name, document: JSON.stringify(document) },
        ...{ made_by: memberId, campaign },
      })
      .returning(["id", "slug", "revision", "updated_at"])
      .executeTakeFirstOrThrow();
    await keepRevision(within, {
      promotion: row.id,
      revision: row.revision,
      document,
      member: memberId,
      name: null,
    });
    return { id: row.id, slug: row.slug, revision: row.revision, document, updatedAt: row.updated_at };
  });
}

/** Between them the log of edits tells the rest. */
const REVISIONS_BETWEEN_SNAPSHOTS = 50;

/** What somebody changed of a promotion. */
export interface PromotionEdits extends SentEdits {
  readonly member: { readonly id: string; readonly role: Role; readonly name: string };
}

/**
 * Puts edits on the newest revision, whichever they were made on: they change it by path, so two people who change
 * different things both keep theirs, and of two who change the same the later wins. An edit that can't be taken is named
 * with its reason; the others are kept.
 */
export async function saveEdits(
  scope: TeamScope,
  slug: string,
  { base, edits, member }: PromotionEdits,
): Promise<EditResult<Promotion>> {
  const result = await scope.together<EditResult<Promotion>>(async (within) => {
    const row = await within.select("promotion").selectAll().where("slug", "=", slug).forUpdate().executeTakeFirst();
    if (!row) throw NOT_FOUND();
    const current = readStored(row.document);
    const { document, taken, refused } = await applyEach(current, edits, async (before, edit) => {
      const after = applyEdit(before, edit);
      await checkDesign(within, before, after, member.role);
      await checkReferences(within, before, after);
      return after;
    });
    const isTold = row.revision !== base || refused.length > 0;
    if (taken.length === 0) return { revision: row.revision, document: isTold ? current : null, refused };
    const revision = row.revision + 1;
    const json = JSON.stringify(document);
    await within
      .update("promotion")
      .set({ document: json, revision, name: document.name, updated_at: new Date() })
      .where("id", "=", row.id)
      .execute();
    await within
      .insert("promotion_edit", {
        promotion_id: row.id,
        revision,
        edits: JSON.stringify(taken),
        member_id: member.id,
      })
      .execute();
    if (revision % REVISIONS_BETWEEN_SNAPSHOTS === 0)
      await keepRevision(within, { promotion: row.id, revision, document, member: member.id, name: null });
    await askForCheck(within, row);
    return { revision, document: isTold ? document : null, refused };
  });
  // Told once it is there for others to fetch.
  if (result.refused.length < edits.length)
    await tellTeam(scope.connection, scope.teamId, {
      topic: "promotion",
      slug,
      revision: result.revision,
      by: member.name,
    });
  return result;
}

/** What is filled must be what the templates take, and what they lock stays as it is, whoever asks; designers and owners may. */
export async function checkDesign(scope: TeamScope, before: Promotion, after: Promotion, role: Role): Promise<void> {
  const templates = await templatesByRef(scope, [...refsOf(before), ...refsOf(after)]);
  const problem =
    promotionProblem(after, templates) ?? (mayChangeLocked(role) ? null : lockProblem(before, after, templates));
  if (problem) throw new Refusal(problem);
}

/**
 * What a document newly names must be the team's own. What it named before may be gone by now: it is saved all the same,
 * and its people are told what is missing.
 */
export async function checkReferences(scope: TeamScope, before: Promotion, after: Promotion): Promise<void> {
  const [missing] = await notThere(scope, newlyNamed(before, after));
  if (missing) throw new Refusal(NOT_THERE[missing.kind]);
  const problem = await kindProblem(scope, before, after);
  if (problem) throw new Refusal(problem);
}

const NOT_THERE: Readonly<Record<NamedThing["kind"], string>> = {
  brand: "The chosen brand is not your team's.",
  product: "A chosen product is not in your catalogue.",
  offer: "The chosen offer is not in your catalogue.",
  media: "A chosen media item is not in your team's media.",
};
