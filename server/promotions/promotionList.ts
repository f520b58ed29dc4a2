import { type SqlBool, sql } from "kysely";
import { type FormatName } from "../../core/placement/formats";
import { formatsInOrder } from "../../core/document/formatList";
import { keyIn } from "../doors/keyIn";
import { type TeamScope } from "../db/teamScope";
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

export interface PromotionQuery {
  readonly words: string;
  readonly state: PromotionState;
  readonly sort: PromotionSort;
  /** From 1. */
  readonly page: number;
}

/** How a list is asked for in an address; what can't be is as if it were not asked. */
export function readPromotionQuery(params: URLSearchParams): PromotionQuery {
  const page = Number(params.get("page") ?? 1);
  return {
    words: (params.get("words") ?? "").trim().slice(0, MOST_WORDS),
    state: keyIn(PROMOTION_STATES, params.get("state")) ?? "all",
    sort: keyIn(PROMOTION_SORTS, params.get("sort")) ?? "changed",
    page: Number.isSafeInteger(page) && page > 0 && page < 100_000 ? page : 1,
  };
}

/** A promotion as lists show it. */
export interface ListedPromotion {
  readonly id: string;
  readonly slug: string;
  readonly name: string;
  readonly revision: number;
  readonly formats: readonly FormatName[];
  readonly changedAt: Date;
}

export interface PromotionPage {
  readonly promotions: readonly ListedPromotion[];
  readonly count: number;
  readonly page: number;
  readonly pages: number;
}

/** One page of a team's promotions. */
export async function listPromotions(
  scope: TeamScope,
  { words, state, sort, page: wanted }: PromotionQuery,
  most = PROMOTIONS_A_PAGE,
): Promise<PromotionPage> {
  let found = scope.select("promotion").where("archived_at", state === "archived" ? "is not" : "is", null);
  for (const word of words.split(/\s+/).filter((one) => one !== ""))
    found = found.where(sql<SqlBool>`strpos(lower(name), lower(${word})) > 0`);
  const holds = HOLDS[state];
  if (holds) found = found.where(holds);
  const { count } = await found.select((eb) => eb.fn.countAll<string>().as("count")).executeTakeFirstOrThrow();
  const pages = Math.max(1, Math.ceil(Number(count) / most));
  const page = Math.min(wanted, pages);
  const order = { changed: "updated_at desc", made: "created_at desc", name: "lower(name)" }[sort];
  const rows = await found
    .select(["id", "slug", "name", "revision", "document", "updated_at"])
    .orderBy(sql.raw(order))
    .orderBy("id")
    .limit(most)
    .offset((page - 1) * most)
    .execute();
  const promotions = rows.map(({ id, slug, name, revision, document, updated_at }) => ({
    ...{ id, slug, name, revision, changedAt: updated_at },
    formats: formatsInOrder(readStored(document)),
  }));
  return { promotions, count: Number(count), page, pages };
}

const newest = sql`
  select rendition.state, rendition.outdated_by from render
  join rendition on rendition.render_id = render.id
  where render.promotion_id = promotion.id`;
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
