import { counted } from "../../core/text/counted";
import { sql } from "kysely";
import { number, object } from "yup";
import { readTags } from "../../core/catalogue/productRow";
import { type TeamScope } from "../db/teamScope";
import { type ReadForm, readForm } from "../formProblems";
import { markNaming } from "../promotions/outdated";
import { mediaFacts } from "./storedFacts";
import { usesInWords, usesOfEach } from "../usage/usesOf";
import { optionalDay, words } from "../doors/fields";
import { Refusal } from "../../core/refusal";

export interface Changed {
  readonly done: string;
  readonly problem: string | null;
}
const items = (count: number): string => counted(count, "item");

/** Removes items that are not in use, so that they can be brought back; says where the others are used. */
export async function removeMedia(
  scope: TeamScope,
  ids: readonly string[],
): Promise<Changed & { readonly removed: readonly string[] }> {
  const removed: string[] = [];
  const problems: string[] = [];
  for (const [id, uses] of await usesOfEach(scope, ids)) {
    if (uses.length > 0) {
      const row = await scope.media().select("name").where("id", "=", id).executeTakeFirst();
      problems.push(`“${row?.name ?? "This item"}” is used in ${usesInWords(uses)}. Choose another there first.`);
      continue;
    }
    const rows = await scope
      .update("media")
      .set({ deleted_at: new Date() })
      .where("id", "=", id)
      .where("deleted_at", "is", null)
      .returning("id")
      .execute();
    removed.push(...rows.map((row) => row.id));
  }
  return {
    removed,
    done: removed.length > 0 ? `${items(removed.length)} removed.` : "",
    problem: problems.length > 0 ? problems.join(" ") : null,
  };
}

/** Brings removed items back. */
export async function restoreMedia(scope: TeamScope, ids: readonly string[]): Promise<Changed> {
  const rows =
    ids.length > 0
      ? await scope
          .update("media")
          .set({ deleted_at: null })
          .where("id", "in", [...ids])
          .returning("id")
          .execute()
      : [];
  return { done: `${items(rows.length)} brought back.`, problem: null };
}

export async function tagMedia(
  scope: TeamScope,
  ids: readonly string[],
  typed: string,
  give: boolean,
): Promise<Changed> {
  let tags: string[];
  try {
    tags = readTags(typed);
  } catch (error) {
    return { done: "", problem: error instanceof Error ? error.message : String(error) };
  }
  if (tags.length === 0) return { done: "", problem: "Write a tag first." };
  if (ids.length === 0) return { done: "", problem: "Mark at least one item first." };
  for (const tag of tags)
    await scope
      .update("media")
      .set({
        tags: give
          ? sql<string[]>`array_append(array_remove(tags, ${tag}), ${tag})`
          : sql<string[]>`array_remove(tags, ${tag})`,
      })
      .where("id", "in", [...ids])
      .execute();
  return {
    done: `${tags.map((tag) => `“${tag}”`).join(", ")} ${give ? "given to" : "taken from"} ${items(ids.length)}.`,
    problem: null,
  };
}

const rightsForm = object({
  source: words(200),
  licence: words(200),
  holder: words(120),
  rights_from: optionalDay(),
  rights_to: optionalDay(),
});

/** Writes the rights note of items. */
export async function noteRights(scope: TeamScope, ids: readonly string[], data: FormData): Promise<ReadForm<unknown>> {
  const read = await readForm(rightsForm, data);
  if (!read.ok) return read;
  const { source, licence, holder, rights_from, rights_to } = read.values;
  if (rights_from && rights_to && rights_to < rights_from)
    return { ok: false, problems: { rights_to: "The last day must not come before the first." } };
  if (ids.length === 0) return { ok: false, problems: { licence: "Mark at least one item first." } };
  await scope
    .update("media")
    .set({ source, licence, holder, rights_from: rights_from || null, rights_to: rights_to || null })
    .where("id", "in", [...ids])
    .execute();
  return read;
}

const MOST_NAME = 120;

/** Renames an item. Gives the problem in words, or null. */
export async function renameMedia(scope: TeamScope, id: string, typed: string): Promise<string | null> {
  const name = typed.replace(/\p{Cc}/gu, "").trim();
  if (name === "") return "An item needs a name.";
  if (Array.from(name).length > MOST_NAME) return `At most ${MOST_NAME} characters.`;
  await scope.update("media").set({ name }).where("id", "=", id).execute();
  return null;
}

export async function setLogo(scope: TeamScope, id: string, isLogo: boolean): Promise<void> {
  await scope.update("media").set({ is_logo: isLogo }).where("id", "=", id).where("kind", "=", "picture").execute();
}

const point = object({ x: number().min(0).max(1).required(), y: number().min(0).max(1).required() });

/**
 * Moves an item's focal point, and marks the renditions it shows in as out of date. A clip then keeps this one point in view,
 * where it followed its subject before.
 */
export async function moveFocal(scope: TeamScope, id: string, value: unknown): Promise<void> {
  if (!point.isValidSync(value))
    throw new Refusal("A focal point lies inside the picture: from 0 to 1 across and down.");
  const focal = { x: value.x, y: value.y };
  const row = await scope.media().selectAll().where("id", "=", id).executeTakeFirst();
  if (!row?.facts || mediaFacts(row)?.kind === "sound") return;
  await scope
    .update("media")
    .set({ facts: JSON.stringify({ ...row.facts, focal, subject: undefined }) })
    .where("id", "=", id)
    .execute();
  await markNaming(scope, [id], `the focal point of ${row.name} was moved`);
}
