import { sql } from "kysely";
import { ValidationError, mixed, object, string } from "yup";
import { threeWay } from "../../core/merge/threeWay";
import { type BrandBook, FACE_ROLES, newBrandBook, readBrandBook } from "../../core/brand/book";
import { type TeamScope } from "../db/teamScope";
import { ownFamilies } from "../faces/ownFonts";
import { type ReadForm } from "../formProblems";
import { type StoredBrand, resolveFace } from "./brandFacts";
import { readStoredBook } from "./readStoredBook";
import { type Marked, markOutdated } from "../promotions/outdated";

/**
 * The team's brands by name, its usual one, and the one a member works in: the one they chose, else the usual one. That is
 * the one that somebody made it, else the one that was made first, whatever brands come. Null while there is none.
 */
export async function brandsOf(
  scope: TeamScope,
  memberId: string | null,
): Promise<{
  readonly brands: StoredBrand[];
  readonly usual: StoredBrand | null;
  readonly working: StoredBrand | null;
}> {
  const [rows, member] = await Promise.all([
    scope.kept(scope.select("brand").selectAll().orderBy("name")),
    memberId
      ? scope.select("member").select("working_brand_id").where("id", "=", memberId).executeTakeFirst()
      : undefined,
  ]);
  const brands = rows.map(({ id, name, book }) => ({ id, name, book: readStoredBook(book) }));
  const [first] = rows.toSorted(usualFirst);
  const find = (wanted: string | null | undefined): StoredBrand | undefined => brands.find(({ id }) => id === wanted);
  const usual = find(first?.id) ?? null;
  return { brands, usual, working: find(member?.working_brand_id) ?? usual };
}

interface Age {
  readonly made_at: Date;
  readonly usual_since: Date | null;
}
const usualFirst = (one: Age, other: Age): number =>
  (other.usual_since?.getTime() ?? 0) - (one.usual_since?.getTime() ?? 0) ||
  one.made_at.getTime() - other.made_at.getTime();

export const workingBrand = async (scope: TeamScope, memberId: string | null): Promise<StoredBrand | null> =>
  (await brandsOf(scope, memberId)).working;

export async function switchBrand(scope: TeamScope, memberId: string, brandId: string): Promise<void> {
  const brand = await scope.select("brand").select("id").where("id", "=", brandId).executeTakeFirst();
  if (!brand) throw new Response("There is no such brand in your team.", { status: 404 });
  await scope.update("member").set({ working_brand_id: brand.id }).where("id", "=", memberId).execute();
}

/** Makes a brand the one that all work in who have chosen none. */
export async function makeUsual(scope: TeamScope, brandId: string): Promise<void> {
  await scope
    .update("brand")
    .set({ usual_since: sql<Date>`clock_timestamp()` })
    .where("id", "=", brandId)
    .execute();
}

const MOST_NAME = 60;

function nameProblem(name: string): string | null {
  if (name === "") return "A brand needs a name.";
  return Array.from(name).length > MOST_NAME ? `At most ${MOST_NAME} characters.` : null;
}

/** Adds a brand with a book to start from, and makes it the member's working brand. */
export async function addBrand(scope: TeamScope, memberId: string, typed: string): Promise<string | null> {
  const name = typed.trim();
  const problem = nameProblem(name);
  if (problem) return problem;
  const { id } = await scope
    .insert("brand", { name, book: JSON.stringify(newBrandBook()) })
    .returning("id")
    .executeTakeFirstOrThrow();
  await switchBrand(scope, memberId, id);
  return null;
}

/** Removes a brand unless a promotion is made in it; says which then. */
export async function removeBrand(scope: TeamScope, id: string): Promise<string | null> {
  const users = await promotionsOf(scope, id);
  if (users.length > 0)
    return `This brand is used in ${users.map(({ name }) => `“${name}”`).join(", ")}. A brand with promotions stays.`;
  await scope.remove("brand").where("id", "=", id).execute();
  return null;
}

/** The promotions that a change of a brand's book touches. */
export async function promotionsOf(
  scope: TeamScope,
  brandId: string,
): Promise<{ id: string; slug: string; name: string }[]> {
  return promotionsIn(scope, brandId).select(["id", "slug", "name"]).orderBy("name").execute();
}

/** How many promotions a change of a brand's book touches, and the newest of them. */
export async function touchedBy(
  scope: TeamScope,
  brandId: string,
): Promise<{ readonly count: number; readonly newest: readonly { readonly slug: string; readonly name: string }[] }> {
  const [{ count }, newest] = await Promise.all([
    promotionsIn(scope, brandId)
      .select((eb) => eb.fn.countAll<string>().as("count"))
      .executeTakeFirstOrThrow(),
    promotionsIn(scope, brandId).select(["slug", "name"]).orderBy("updated_at", "desc").limit(MOST_TOLD).execute(),
  ]);
  return { count: Number(count), newest };
}
const MOST_TOLD = 12;

/** Promotions made in a brand, to select from. */
export const promotionsIn = (scope: TeamScope, brandId: string) =>
  scope.select("promotion").where("brand_id", "=", brandId);

/** A brand's name and book as a page sends them. */
export interface TypedBook {
  readonly name: string;
  readonly book: unknown;
}
const typedBook = (value: unknown): TypedBook => {
  const { name, book } = typedBookSchema.validateSync(value);
  return { name, book };
};
const typedBookSchema = object({ name: string().defined(), book: mixed().required() });

/**
 * Saves a brand's name and book, with what colleagues have changed since the page was opened: of what this one did not change,
 * theirs stays. Gives what is saved then. Problems come back by field, such as `colors.ink.hex`. Renditions of the promotions it
 * touches are marked as out of date where their frames would differ now.
 *
 * @param base what the page showed when it was opened, or had saved last; null where nothing is known of it
 */
export async function saveBook(
  scope: TeamScope,
  brandId: string,
  mine: TypedBook,
  base: unknown = null,
): Promise<ReadForm<SavedBook & { readonly outdated: Marked }>> {
  const saved = await scope.together((within) => writeBook(within, brandId, mine, base));
  if (!saved.ok) return saved;
  const touched = await promotionsOf(scope, brandId);
  const outdated = await markOutdated(
    scope,
    touched.map(({ id }) => id),
    `the brand book of ${saved.values.name} was changed`,
  );
  return { ok: true, values: { ...saved.values, outdated } };
}

interface SavedBook {
  readonly name: string;
  readonly book: BrandBook;
}

/** In a transaction: nobody else's change comes between reading the book and writing it. */
async function writeBook(
  scope: TeamScope,
  brandId: string,
  mine: TypedBook,
  base: unknown,
): Promise<ReadForm<SavedBook>> {
  const row = await scope
    .select("brand")
    .select(["name", "book"])
    .where("id", "=", brandId)
    .forUpdate()
    .executeTakeFirst();
  if (!row) throw new Response("There is no such brand in your team.", { status: 404 });
  const data =
    base === null ? mine : typedBook(threeWay(base, mine, { name: row.name, book: readStoredBook(row.book) }));
  const name = data.name.trim();
  const wrongName = nameProblem(name);
  const read = readBook(data.book);
  const problems: Record<string, string> = {
    ...(wrongName ? { name: wrongName } : {}),
    ...(read.ok ? await referenceProblems(scope, read.values) : read.problems),
  };
  if (!read.ok || Object.keys(problems).length > 0) return { ok: false, problems };
  await scope
    .update("brand")
    .set({ name, book: JSON.stringify(read.values) })
    .where("id", "=", brandId)
    .execute();
  return { ok: true, values: { name, book: read.values } };
}

function readBook(value: unknown): ReadForm<BrandBook> {
  try {
    return { ok: true, values: readBrandBook(value) };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const problems = error.inner.length > 0 ? error.inner : [error];
    return { ok: false, problems: Object.fromEntries(problems.map((one) => [one.path ?? "book", one.message])) };
  }
}

/** What a book names must be the team's own. */
async function referenceProblems(scope: TeamScope, book: BrandBook): Promise<Record<string, string>> {
  const problems: Record<string, string> = {};
  const ids = [...book.logos.map(({ media }) => media), ...(book.tune ? [book.tune] : [])];
  const media = ids.length > 0 ? await scope.media().select(["id", "kind"]).where("id", "in", ids).execute() : [];
  for (const { variant, media: id } of book.logos)
    if (!media.some((row) => row.id === id && row.kind === "picture"))
      problems[`logos.${variant}`] = "The logo must be a picture of your team.";
  if (book.tune && !media.some((row) => row.id === book.tune && row.kind === "sound"))
    problems["tune"] = "The house tune must be a sound of your team.";
  const own = await ownFamilies(scope);
  for (const role of FACE_ROLES) {
    const { family, weight } = book.faces[role];
    if (!resolveFace(family, weight, role, own))
      problems[`faces.${role}.family`] = `${family} is not among the typefaces. Choose one from the list.`;
  }
  return problems;
}
