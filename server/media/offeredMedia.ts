import { sql } from "kysely";
import { type MediaFacts } from "../../core/document/facts";
import { type MediaNeed, SHAPE_RATIOS } from "../../core/document/mediaNeed";
import { type RightsState } from "../../core/document/rights";
import { PICTURE_SHAPES } from "../../core/document/sceneTemplate";
import { isId } from "../ids";
import { type TeamScope } from "../db/teamScope";
import { type MediaRow, rightsOf, withWords } from "./mediaList";
import { mediaFacts } from "./storedFacts";

/** A media item that is offered for choosing, or was chosen, with the state of its rights. */
export interface OfferedMedia {
  readonly facts: MediaFacts;
  readonly rights: RightsState;
}

const MOST_AT_ONCE = 400;
const KINDS = ["picture", "clip"] as const;

/** What is asked for where an item is chosen. */
export interface OfferQuery {
  readonly need: MediaNeed;
  readonly words: string;
  /** How many to give. */
  readonly most: number;
}

/** Reads what is asked for from an address. What is not understood counts as not asked for. */
export function readOfferQuery(params: URLSearchParams): OfferQuery {
  const number = (name: string, most: number): number =>
    Math.min(most, Math.max(0, Math.floor(Number(params.get(name) ?? 0)) || 0));
  const accepts = KINDS.filter((kind) => params.getAll("kind").includes(kind));
  return {
    need: {
      accepts: accepts.length > 0 ? accepts : KINDS,
      shape: PICTURE_SHAPES.find((shape) => shape === params.get("shape")) ?? "any",
      leastPixels: number("pixels", 20_000),
      leastSeconds: number("seconds", 3600),
    },
    words: (params.get("words") ?? "").trim().slice(0, 100),
    most: Math.max(1, number("most", MOST_AT_ONCE)),
  };
}

/**
 * Media of the team that a place may take, those that answer what it asks for first, then those that miss least; among
 * equals the newest, logos last. With how many there are in all.
 */
export async function offeredMedia(
  scope: TeamScope,
  { need, words, most }: OfferQuery,
  today: string,
): Promise<{ items: OfferedMedia[]; count: number }> {
  const chosen = withWords(scope.media(), words)
    .where("state", "=", "ready")
    .where("kind", "in", [...need.accepts]);
  const { least, most: widest } = SHAPE_RATIOS[need.shape];
  const misses = sql<number>`
    (licence = '' or coalesce(rights_to < ${today}, false) or coalesce(rights_from > ${today}, false))::int
    + (least(width, height) < ${need.leastPixels}::int)::int
    + (kind = 'clip' and length_ms < ${need.leastSeconds * 1000}::int)::int
    + (width < height * ${least}::float8 or width > height * ${Number.isFinite(widest) ? widest : 1e9}::float8)::int`;
  const [rows, { count }] = await Promise.all([
    chosen
      .selectAll()
      .orderBy(misses)
      .orderBy("is_logo")
      .orderBy("created_at", "desc")
      .orderBy("id")
      .limit(most)
      .execute(),
    chosen.select(({ fn }) => fn.countAll<string>().as("count")).executeTakeFirstOrThrow(),
  ]);
  return { items: offered(rows, today), count: Number(count) };
}

/** Items by their ids, without their tones. Those that are not the team's, or not ready, are left out. */
export async function chosenMedia(
  scope: TeamScope,
  ids: readonly string[],
  today: string,
): Promise<Record<string, OfferedMedia>> {
  const asked = [...new Set(ids.filter(isId))].slice(0, MOST_AT_ONCE);
  if (asked.length === 0) return {};
  const rows = await scope.kept(scope.media().selectAll().where("id", "in", asked).where("state", "=", "ready"));
  return Object.fromEntries(offered(rows, today).map((item) => [item.facts.id, item]));
}

const MOST_SOUNDS = 300;

/** The sounds of a team, by name. */
export async function offeredSounds(scope: TeamScope, today: string): Promise<OfferedMedia[]> {
  const rows = await scope.kept(
    scope
      .media()
      .selectAll()
      .where("kind", "=", "sound")
      .where("state", "=", "ready")
      .orderBy("name")
      .orderBy("id")
      .limit(MOST_SOUNDS),
  );
  return offered(rows, today);
}

/** What was not read in yet has no facts, and is not offered. */
const offered = (rows: readonly MediaRow[], today: string): OfferedMedia[] =>
  rows.flatMap((row) => {
    const facts = mediaFacts(row);
    return facts ? [{ facts, rights: rightsOf(row, today) }] : [];
  });
