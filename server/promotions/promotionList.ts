import { type SqlBool, sql } from "kysely";
import { type FormatName } from "../../core/placement/formats";
import { formatsInOrder } from "../../core/document/formatList";
import { keyIn } from "../../core/records";
import { type TeamScope } from "../db/teamScope";
import { optionalDay } from "../doors/fields";
import { isId } from "../ids";
import { SHIPPED_TEMPLATES } from "../../core/templates/shipped";
import { readStored } from "./readStored";

export const PROMOTIONS_A_PAGE = 24;
const MOST_WORDS = 100;

/** How the list may be looked at. */
export const PROMOTION_STATES = {
  all: "All",
  "not rendered": "Not rendered",
  "under way": "Under way",
  rendered: "Rendered",
  "out of date": "Out of date",
  "in review": "In review",
  approved: "Approved",
  planned: "Planned",
  posted: "Posted",
  archived: "Archived",
} as const;
export type PromotionState = keyof typeof PROMOTION_STATES;
export const PROMOTION_SORTS = { changed: "Changed last", made: "Made last", name: "By name" } as const;
export type PromotionSort = keyof typeof PROMOTION_SORTS;

/** As pictures side by side, or as rows that say more. */
export const PROMOTION_VIEWS = { wall: "Wall", list: "List" } as const;
export type PromotionView = keyof typeof PROMOTION_VIEWS;

/** By what else a list may be narrowed; nothing for what is not asked for. */
export interface PromotionFilters {
  readonly campaign: string;
  /** Ids of a product and of a member, and a template's slug. */
  readonly product: string;
  readonly template: string;
  readonly by: string;
  /** The first and the last day on which it was changed last, in the team's zone. */
  readonly from: string;
  readonly until: string;
}

export interface PromotionQuery extends PromotionFilters {
  readonly words: string;
  readonly state: PromotionState;
  readonly sort: PromotionSort;
  readonly view: PromotionView;
  /** From 1. */
  readonly page: number;
}

const dayAsked = optionalDay();

/** How a list is asked for in an address; what can't be is as if it were not asked. */
export function readPromotionQuery(params: URLSearchParams): PromotionQuery {
  const page = Number(params.get("page") ?? 1);
  const text = (name: string): string => (params.get(name) ?? "").trim().slice(0, MOST_WORDS);
  const id = (name: string): string => (isId(params.get(name)) ? text(name) : "");
  const day = (name: string): string => (dayAsked.isValidSync(text(name)) ? text(name) : "");
  return {
    words: text("words"),
    ...{ campaign: text("campaign"), product: id("product"), template: text("template"), by: id("by") },
    ...{ from: day("from"), until: day("until") },
    state: keyIn(PROMOTION_STATES, params.get("state")) ?? "all",
    sort: keyIn(PROMOTION_SORTS, params.get("sort")) ?? "changed",
    view: keyIn(PROMOTION_VIEWS, params.get("view")) ?? "wall",
    page: Number.isSafeInteger(page) && page > 0 && page < 100_000 ? page : 1,
  };
}

/** Every promotion that is not archived, what was changed last first. */
export const ALL_PROMOTIONS = readPromotionQuery(new URLSearchParams());

/** A promotion as lists show it. */
export interface ListedPromotion {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly revision: number;
  readonly formats: readonly FormatName[];
  readonly changedAt: Date;
  readonly campaign: string;
  /** Who made it; null where that is not known, or they are gone. */
  readonly by: string | null;
  /** How far it has come. */
  readonly state: PromotionState;
}

export interface PromotionPage {
  readonly promotions: readonly ListedPromotion[];
  readonly count: number;
  readonly page: number;
  readonly pages: number;
}

/** One page of a team's promotions. @param zone of the team, in which days begin and end */
export async function listPromotions(
  scope: TeamScope,
  query: PromotionQuery,
  { zone = "UTC", most = PROMOTIONS_A_PAGE }: { readonly zone?: string; readonly most?: number } = {},
): Promise<PromotionPage> {
  const { words, state, sort, page: wanted, campaign, product, template, by, from, until } = query;
  let found = scope.select("promotion").where("archived_at", state === "archived" ? "is not" : "is", null);
  for (const word of words.split(/\s+/).filter((one) => one !== ""))
    found = found.where(sql<SqlBool>`strpos(lower(name), lower(${word})) > 0`);
  const holds = HOLDS[state];
  if (holds) found = found.where(holds);
  if (campaign) found = found.where("campaign", "=", campaign);
  if (product) found = found.where("product_id", "=", product);
  if (template) found = found.where("template_slug", "=", template);
  if (by) found = found.where("made_by", "=", by);
  if (from) found = found.where(sql<SqlBool>`updated_at >= ${from}::date::timestamp at time zone ${zone}`);
  if (until) found = found.where(sql<SqlBool>`updated_at < (${until}::date + 1)::timestamp at time zone ${zone}`);
  const order = { changed: "updated_at desc", made: "created_at desc", name: "lower(name)" }[sort];
  // How far each has come is looked up for those of the page alone.
  const onPage = (page: number) =>
    found
      .select("id")
      .orderBy(sql.raw(order))
      .orderBy("id")
      .limit(most)
      .offset((page - 1) * most);
  const rowsOf = (page: number) =>
    scope
      .select("promotion")
      .where("id", "in", onPage(page))
      .select(["id", "slug", "name", "revision", "document", "updated_at", "campaign", reached.as("state")])
      .select((eb) =>
        eb.selectFrom("member").whereRef("member.id", "=", "promotion.made_by").select("member.name").as("by"),
      )
      .orderBy(sql.raw(order))
      .orderBy("id")
      .execute();
  const [{ count }, asked] = await Promise.all([
    found.select((eb) => eb.fn.countAll<string>().as("count")).executeTakeFirstOrThrow(),
    rowsOf(wanted),
  ]);
  const pages = Math.max(1, Math.ceil(Number(count) / most));
  const page = Math.min(wanted, pages);
  // A page that is not there any more shows the last one.
  const rows = page === wanted ? asked : await rowsOf(page);
  const promotions = rows.map(({ document, updated_at, ...row }) => ({
    ...row,
    changedAt: updated_at,
    formats: formatsInOrder(readStored(document)),
  }));
  return { promotions, count: Number(count), page, pages };
}

/** What a list may be narrowed to, as [value, words]. */
export interface PromotionChoices {
  readonly campaigns: readonly string[];
  readonly products: readonly (readonly [id: string, name: string])[];
  readonly templates: readonly (readonly [slug: string, name: string])[];
  readonly people: readonly (readonly [id: string, name: string])[];
}

/** What the promotions of a team are filed under and about, and who made them: what nothing is about is no choice. */
export async function promotionChoices(scope: TeamScope): Promise<PromotionChoices> {
  const { campaigns, about, templates, makers } = await filedUnder(scope);
  const [products, own, people] = await Promise.all([
    scope.kept(
      scope
        .select("product")
        .where(sql<SqlBool>`id = any(${about.filter(isId)}::uuid[])`)
        .select(["id", "name"])
        .orderBy("name"),
    ),
    scope.kept(scope.select("template").select(["slug", "name"])),
    scope
      .select("member")
      .where(sql<SqlBool>`id = any(${makers}::uuid[])`)
      .select(["id", "name"])
      .orderBy("name")
      .execute(),
  ]);
  const called = new Map([...SHIPPED_TEMPLATES, ...own].map(({ slug, name }) => [slug, name]));
  return {
    campaigns,
    products: products.map(({ id, name }) => [id, name]),
    templates: templates
      .map((slug) => [slug, called.get(slug) ?? slug] as const)
      .sort(([, one], [, other]) => one.localeCompare(other)),
    people: people.map(({ id, name }) => [id, name]),
  };
}

/** What promotions are filed under, each once and in order; all of it in one reading of their rows. */
function filedUnder(scope: TeamScope) {
  const each = (column: string) =>
    sql<string[]>`coalesce(array_agg(distinct ${sql.ref(column)}) filter (where ${sql.ref(column)} is not null), '{}')`;
  return scope
    .select("promotion")
    .select([
      sql<string[]>`coalesce(array_agg(distinct campaign) filter (where campaign <> ''), '{}')`.as("campaigns"),
      each("product_id").as("about"),
      each("template_slug").as("templates"),
      each("made_by").as("makers"),
    ])
    .executeTakeFirstOrThrow();
}

const newest = sql`
  select rendition.state, rendition.outdated_by from render
  join rendition on rendition.render_id = render.id
  where render.team_id = promotion.team_id and render.promotion_id = promotion.id`;
const posts = sql`select from post where post.promotion_id = promotion.id`;
const HOLDS: Readonly<Record<PromotionState, ReturnType<typeof sql<SqlBool>> | null>> = {
  all: null,
  archived: null,
  "not rendered": sql<SqlBool>`not exists (${newest} and rendition.state in ('ready', 'waiting', 'working'))`,
  "under way": sql<SqlBool>`exists (${newest} and rendition.state in ('waiting', 'working'))`,
  rendered: sql<SqlBool>`exists (${newest} and rendition.state = 'ready' and rendition.outdated_by is null)`,
  "out of date": sql<SqlBool>`exists (${newest} and rendition.state = 'ready' and rendition.outdated_by is not null)`,
  "in review": sql<SqlBool>`review in ('asked', 'changes', 'lapsed')`,
  approved: sql<SqlBool>`review = 'approved'`,
  planned: sql<SqlBool>`exists (${posts} and post.state in ('scheduled', 'posting', 'processing'))`,
  posted: sql<SqlBool>`exists (${posts} and post.state = 'live')`,
};

/** Of all that holds, what comes last on the way of a promotion. */
const reached = sql<PromotionState>`case
  when archived_at is not null then 'archived'
  when ${HOLDS.posted} then 'posted'
  when ${HOLDS.planned} then 'planned'
  when ${HOLDS.approved} then 'approved'
  when ${HOLDS["in review"]} then 'in review'
  when ${HOLDS["under way"]} then 'under way'
  when ${HOLDS["out of date"]} then 'out of date'
  when ${HOLDS.rendered} then 'rendered'
  else 'not rendered' end`;
