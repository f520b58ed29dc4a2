import { sql } from "kysely";
import { number, object, string } from "yup";
import { type Edit } from "../../core/document/edit";
import { takeOver } from "../../core/document/longer";
import { type Promotion, MOST_NAME, readPromotion } from "../../core/document/promotion";
import { type TeamScope } from "../db/teamScope";
import { type Role } from "../db/tables";
import { type EditResult } from "../edits/applyEach";
import { addPromotion, checkDesign, checkReferences, promotionBySlug, saveEdits } from "./promotionStore";
import { keepRevision } from "./revisions";
import { Refusal } from "../../core/refusal";
import { firstLetters } from "../../core/text/cleanText";
import { readStored } from "./readStored";

/** A promotion that another is linked to. */
export interface LinkedPromotion {
  readonly slug: string;
  readonly name: string;
}
/** What a promotion is a shorter version of, if of any, and what are shorter versions of it. */
export interface LinkedVersions {
  /** Whether it was changed since. */
  readonly longer: (LinkedPromotion & { readonly isNewer: boolean }) | null;
  readonly shorter: readonly (LinkedPromotion & { readonly held: number | null })[];
}

export async function linkedVersions(scope: TeamScope, slug: string): Promise<LinkedVersions> {
  const { id, document } = await promotionBySlug(scope, slug);
  const [longer, shorter] = await Promise.all([
    document.longer &&
      scope
        .select("promotion")
        .select(["slug", "name", "revision"])
        .where("id", "=", document.longer.promotion)
        .executeTakeFirst(),
    scope
      .select("promotion")
      .select(["slug", "name", "document"])
      .where(sql<string>`document -> 'longer' ->> 'promotion'`, "=", id)
      .orderBy("name")
      .execute(),
  ]);
  const made = document.longer?.revision ?? 0;
  return {
    longer: longer ? { slug: longer.slug, name: longer.name, isNewer: longer.revision > made } : null,
    shorter: shorter.map((row) => ({
      slug: row.slug,
      name: row.name,
      held: readStored(row.document).adjustments["@all"]?.held ?? null,
    })),
  };
}

const wish = object({
  seconds: number().min(1, "A version lasts a second at least.").max(600).required(),
  document: object().required(),
  revision: number().integer().min(1).required(),
});

interface Member {
  readonly id: string;
  readonly role: Role;
  readonly name: string;
}

/**
 * Makes a shorter version of a promotion, under a name of its own: the document that the desk made of it. What its
 * templates lock stays as it is. The longer one is kept as it is now, so that what changes in it later can be told.
 * Throws a ValidationError or Refusal, in words, when it can't be made.
 */
export async function makeShorter(
  scope: TeamScope,
  slug: string,
  sent: unknown,
  member: Member,
): Promise<LinkedPromotion> {
  const { seconds, document: wished, revision } = wish.validateSync(sent);
  const longer = await promotionBySlug(scope, slug);
  if (longer.revision !== revision)
    throw new Refusal("The promotion has just been changed. Look at it again, then make the shorter version.");
  const ending = `, ${seconds} s`;
  const document: Promotion = {
    ...readPromotion(wished),
    name: `${firstLetters(longer.document.name, MOST_NAME - ending.length)}${ending}`,
    longer: { promotion: longer.id, revision },
  };
  await checkDesign(scope, longer.document, document, member.role);
  await checkReferences(scope, longer.document, document);
  await keepRevision(scope, {
    promotion: longer.id,
    revision,
    document: longer.document,
    member: member.id,
    name: null,
  });
  const made = await addPromotion(scope, document, member.id);
  return { slug: made.slug, name: document.name };
}

const NOT_LINKED = () => new Refusal("This promotion is not a shorter version of another, or that one is gone.");

/** Brings what was changed in the longer promotion into a shorter version of it. Throws, in words, when that can't be. */
export async function takeOverLonger(
  scope: TeamScope,
  slug: string,
  member: Member,
): Promise<EditResult<Promotion> | null> {
  const own = await promotionBySlug(scope, slug);
  const { longer } = own.document;
  if (!longer) throw NOT_LINKED();
  const [now, then] = await Promise.all([
    scope
      .select("promotion")
      .select(["id", "revision", "document"])
      .where("id", "=", longer.promotion)
      .executeTakeFirst(),
    scope
      .select("promotion_revision")
      .select("document")
      .where("promotion_id", "=", longer.promotion)
      .where("revision", "=", longer.revision)
      .executeTakeFirst(),
  ]);
  if (!now || !then) throw NOT_LINKED();
  const document = readPromotion(now.document);
  await keepRevision(scope, { promotion: now.id, revision: now.revision, document, member: member.id, name: null });
  const edit: Edit | null = takeOver(own.document, {
    base: readPromotion(then.document),
    now: document,
    longer: { promotion: now.id, revision: now.revision },
  });
  return edit && saveEdits(scope, slug, { base: own.revision, edits: [edit], member });
}

/** What is asked of shorter versions. */
export const shorterIntent = object({
  intent: string()
    .oneOf(["make", "take over"] as const)
    .required(),
});
