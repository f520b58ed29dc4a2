import { sql } from "kysely";
import { COLOR_WORDS } from "../../core/color/colorNames";
import { type MediaFacts } from "../../core/document/facts";
import { type RightsState, rightsState } from "../../core/document/rights";
import { wallTime } from "../../core/offer/validity";
import { likePattern } from "../catalogue/productList";
import { isId } from "../ids";
import { type MediaState } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts, moreFacts } from "./storedFacts";

export interface MediaItem {
  readonly id: string;
  readonly name: string;
  readonly kind: "picture" | "clip" | "sound";
  readonly isLogo: boolean;
  readonly state: MediaState;
  readonly progress: number;
  readonly problem: string | null;
  readonly bytes: number;
  readonly tags: readonly string[];
  readonly rights: RightsState;
  readonly facts: MediaFacts | null;
  /** A sound's waveform, 0 to 100 a bar. */
  readonly peaks: readonly number[];
}

export const MEDIA_KINDS = ["picture", "clip", "sound", "logo"] as const;
export const MEDIA_SHAPES = ["standing", "square", "lying"] as const;
export const MEDIA_LENGTHS = ["under 5 s", "5 to 15 s", "over 15 s"] as const;
export const MEDIA_RIGHTS = ["clear", "missing", "ended"] as const;
export const MEDIA_SORTS = ["newest", "name", "largest"] as const;

/** Which media to list. Empty texts ask for nothing. */
export interface MediaQuery {
  readonly words: string;
  readonly kind: "" | (typeof MEDIA_KINDS)[number];
  readonly shape: "" | (typeof MEDIA_SHAPES)[number];
  readonly length: "" | (typeof MEDIA_LENGTHS)[number];
  readonly color: string;
  readonly tag: string;
  readonly rights: "" | (typeof MEDIA_RIGHTS)[number];
  readonly product: string;
  readonly collection: string;
  readonly sort: (typeof MEDIA_SORTS)[number];
  /** From 0. */
  readonly page: number;
}

export const MEDIA_A_PAGE = 60;

const oneOf = <Value extends string>(values: readonly Value[], text: string | null): Value | "" =>
  values.find((value) => value === text) ?? "";
const uuid = (text: string | null): string => (isId(text) ? text : "");

/** Reads a query from an address. What is not understood counts as not asked for. */
export function readMediaQuery(params: URLSearchParams): MediaQuery {
  const page = Number(params.get("page") ?? 0);
  return {
    words: (params.get("words") ?? "").trim().slice(0, 100),
    kind: oneOf(MEDIA_KINDS, params.get("kind")),
    shape: oneOf(MEDIA_SHAPES, params.get("shape")),
    length: oneOf(MEDIA_LENGTHS, params.get("length")),
    color: oneOf(COLOR_WORDS, params.get("color")),
    tag: (params.get("tag") ?? "").trim().toLowerCase(),
    rights: oneOf(MEDIA_RIGHTS, params.get("rights")),
    product: uuid(params.get("product")),
    collection: uuid(params.get("collection")),
    sort: oneOf(MEDIA_SORTS, params.get("sort")) || "newest",
    page: Number.isSafeInteger(page) && page >= 0 ? page : 0,
  };
}

/** A standing picture is more than a tenth higher than wide, a lying one the other way round. */
const SHAPE_EDGE = 1.1;

/** Today in a zone, as `YYYY-MM-DD`. */
export const todayIn = (zone: string): string => wallTime(new Date(), zone).slice(0, 10);

type Media = ReturnType<TeamScope["media"]>;

/** The media that have each of some words in their name or among their tags. */
export const withWords = (media: Media, words: string): Media =>
  words
    .split(/\s+/)
    .filter(Boolean)
    .reduce(
      (chosen, word) =>
        chosen.where((eb) =>
          eb.or([eb("search", "like", likePattern(word)), sql<boolean>`tags @> array[${word.toLowerCase()}]::text[]`]),
        ),
      media,
    );

/** The media that answer a query, before they are ordered and cut into pages. */
function chosenMedia(scope: TeamScope, query: MediaQuery, today: string) {
  let chosen = withWords(scope.media(), query.words);
  if (query.kind === "logo") chosen = chosen.where("is_logo", "=", true);
  else if (query.kind) chosen = chosen.where("kind", "=", query.kind);
  if (query.shape === "standing") chosen = chosen.where(sql<boolean>`height > width * ${SHAPE_EDGE}::real`);
  if (query.shape === "lying") chosen = chosen.where(sql<boolean>`width > height * ${SHAPE_EDGE}::real`);
  if (query.shape === "square")
    chosen = chosen.where(
      sql<boolean>`height <= width * ${SHAPE_EDGE}::real and width <= height * ${SHAPE_EDGE}::real`,
    );
  if (query.length === "under 5 s") chosen = chosen.where("length_ms", "<", 5000);
  if (query.length === "5 to 15 s") chosen = chosen.where("length_ms", ">=", 5000).where("length_ms", "<=", 15_000);
  if (query.length === "over 15 s") chosen = chosen.where("length_ms", ">", 15_000);
  if (query.color) chosen = chosen.where(sql<boolean>`colors @> array[${query.color}]::text[]`);
  if (query.tag) chosen = chosen.where(sql<boolean>`tags @> array[${query.tag}]::text[]`);
  if (query.rights === "missing") chosen = chosen.where("licence", "=", "");
  if (query.rights === "ended") chosen = chosen.where("rights_to", "<", today);
  if (query.rights === "clear")
    chosen = chosen
      .where("licence", "!=", "")
      .where((eb) => eb.or([eb("rights_to", "is", null), eb("rights_to", ">=", today)]));
  if (query.product)
    chosen = chosen.where(
      "id",
      "in",
      scope.select("product_picture").select("media_id").where("product_id", "=", query.product),
    );
  if (query.collection)
    chosen = chosen.where(
      "id",
      "in",
      scope.select("collection_media").select("media_id").where("collection_id", "=", query.collection),
    );
  return chosen;
}

/** A page of media, and how many answer the query in all. */
export async function listMedia(
  scope: TeamScope,
  query: MediaQuery,
  today: string,
  pageSize = MEDIA_A_PAGE,
): Promise<{ items: MediaItem[]; count: number }> {
  const chosen = chosenMedia(scope, query, today);
  const [column, direction] = (
    { newest: ["created_at", "desc"], name: ["name", "asc"], largest: ["bytes", "desc"] } as const
  )[query.sort];
  const [rows, { count }] = await Promise.all([
    chosen
      .selectAll()
      .orderBy(column, direction)
      .orderBy("id")
      .limit(pageSize)
      .offset(query.page * pageSize)
      .execute(),
    chosen.select(({ fn }) => fn.countAll<string>().as("count")).executeTakeFirstOrThrow(),
  ]);
  return { count: Number(count), items: rows.map((row) => itemOf(row, today)) };
}

export type MediaRow = Awaited<ReturnType<ReturnType<ReturnType<TeamScope["media"]>["selectAll"]>["execute"]>>[number];

export function itemOf(row: MediaRow, today: string): MediaItem {
  return {
    id: row.id,
    name: row.name,
    kind: row.kind,
    isLogo: row.is_logo,
    state: row.state,
    progress: row.progress,
    problem: row.problem,
    bytes: Number(row.bytes),
    tags: row.tags,
    rights: rightsOf(row, today),
    facts: mediaFacts(row),
    peaks: row.kind === "sound" ? (moreFacts(row).peaks ?? []) : [],
  };
}

export const rightsOf = (
  row: Pick<MediaRow, "source" | "licence" | "holder" | "rights_from" | "rights_to">,
  today: string,
): RightsState =>
  rightsState(
    { source: row.source, licence: row.licence, holder: row.holder, from: row.rights_from, to: row.rights_to },
    today,
  );

/** The tags in use, most used first. */
export async function mediaTags(scope: TeamScope): Promise<string[]> {
  const rows = await scope.kept(
    scope
      .media()
      .select(sql<string>`unnest(tags)`.as("tag"))
      .select(({ fn }) => fn.countAll().as("uses"))
      .groupBy("tag")
      .orderBy("uses", "desc")
      .orderBy("tag")
      .limit(60),
  );
  return rows.map(({ tag }) => tag);
}
