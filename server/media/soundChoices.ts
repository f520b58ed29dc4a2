import { sql } from "kysely";
import { type RightsState } from "../../core/document/rights";
import { type SoundFacts } from "../../core/document/facts";
import { SOUND_LENGTHS, type SoundLength, TEMPO_RANGES, type TempoRange } from "../../core/sound/tempoRanges";
import { type TeamScope } from "../db/teamScope";
import { keyIn } from "../../core/records";
import { SHELF, type ShelfItem, searchShelf } from "../shelf/shelfItems";
import { TUNES, tuneSeconds } from "../shelf/tunes";
import { rightsOf, withWords } from "./mediaList";
import { mediaFacts, moreFacts } from "./storedFacts";

/** What is asked for where a sound is chosen. */
export interface SoundQuery {
  readonly words: string;
  readonly tempo: TempoRange | null;
  readonly length: SoundLength | null;
  readonly tag: string;
  /** How many to give. */
  readonly most: number;
}

/** A sound of the team that can be chosen. */
export interface SoundChoice {
  readonly facts: SoundFacts;
  readonly rights: RightsState;
  /** Who allows its use, as it was noted. */
  readonly licence: string;
  readonly tags: readonly string[];
  /** Beats a minute; null where none were found. */
  readonly tempo: number | null;
}

/** A sound on the shelf that the team has not taken from it yet. */
export interface ShelfSound {
  readonly slug: string;
  readonly name: string;
  readonly words: readonly string[];
  readonly tempo: number | null;
}

/** What can be chosen to be heard. */
export interface SoundChoices {
  readonly sounds: readonly SoundChoice[];
  /** How many of the team's there are in all. */
  readonly count: number;
  readonly shelf: readonly ShelfSound[];
  /** The tags of the team's sounds, most used first. */
  readonly tags: readonly string[];
}

const MOST_AT_ONCE = 200;
const MOST_TAGS = 14;

/** Reads what is asked for from an address. What is not understood counts as not asked for. */
export function readSoundQuery(params: URLSearchParams): SoundQuery {
  const most = Math.floor(Number(params.get("most") ?? 0)) || 0;
  return {
    words: (params.get("words") ?? "").trim().slice(0, 100),
    tempo: keyIn(TEMPO_RANGES, params.get("tempo")),
    length: keyIn(SOUND_LENGTHS, params.get("length")),
    tag: (params.get("tag") ?? "").trim().toLowerCase().slice(0, 100),
    most: Math.min(MOST_AT_ONCE, Math.max(1, most)),
  };
}

/** The sounds of a team that answer what is asked for, the newest first, and those on the shelf that do and are not theirs. */
export async function soundChoices(scope: TeamScope, query: SoundQuery, today: string): Promise<SoundChoices> {
  const all = scope.media().where("kind", "=", "sound").where("state", "=", "ready");
  let chosen = withWords(all, query.words);
  const [tempo, length] = [query.tempo && TEMPO_RANGES[query.tempo], query.length && SOUND_LENGTHS[query.length]];
  if (tempo)
    chosen = chosen.where(
      sql<boolean>`(facts->>'tempo')::real >= ${tempo.from} and (facts->>'tempo')::real < ${tempo.to}`,
    );
  if (length)
    chosen = chosen.where("length_ms", ">=", length.from).where("length_ms", "<", Math.min(length.to, 2 ** 31 - 1));
  if (query.tag) chosen = chosen.where(sql<boolean>`tags @> array[${query.tag}]::text[]`);
  const [rows, { count }, named] = await Promise.all([
    chosen.selectAll().orderBy("created_at", "desc").orderBy("id").limit(query.most).execute(),
    chosen.select(({ fn }) => fn.countAll<string>().as("count")).executeTakeFirstOrThrow(),
    all.select(["name", "tags"]).execute(),
  ]);
  return {
    sounds: rows.flatMap((row): SoundChoice[] => {
      const facts = mediaFacts(row);
      if (facts?.kind !== "sound") return [];
      const { licence, tags } = row;
      return [{ facts, rights: rightsOf(row, today), licence, tags, tempo: moreFacts(row).tempo ?? null }];
    }),
    count: Number(count),
    shelf: shelfSounds(query, new Set(named.map(({ name }) => name))),
    tags: mostUsed(named.flatMap(({ tags }) => tags)),
  };
}

/** @param names of the team's sounds: what was taken from the shelf keeps its name */
function shelfSounds({ words, tempo, length, tag }: SoundQuery, names: ReadonlySet<string>): ShelfSound[] {
  return searchShelf(words, "")
    .items.filter(({ name }) => !names.has(`${name}.wav`))
    .flatMap((item): ShelfSound[] => {
      const measured = soundOnShelf(item);
      if (!measured) return [];
      const isAsked =
        (!tempo || within(measured.tempo, TEMPO_RANGES[tempo])) &&
        (!length || within(measured.ms, SOUND_LENGTHS[length])) &&
        (tag === "" || item.words.includes(tag) || item.category === tag);
      return isAsked ? [{ slug: item.slug, name: item.name, words: item.words, tempo: measured.tempo }] : [];
    });
}

/** How fast and how long a sound on the shelf is; null for what is none. Effects are all shorter than five seconds. */
function soundOnShelf({ recipe }: ShelfItem): { readonly tempo: number | null; readonly ms: number } | null {
  if (recipe.kind === "effect") return { tempo: null, ms: 0 };
  const tune = recipe.kind === "tune" ? TUNES.find(({ name }) => name === recipe.tune) : undefined;
  return tune ? { tempo: tune.beatsAMinute, ms: tuneSeconds(tune) * 1000 } : null;
}

const within = (value: number | null, { from, to }: { readonly from: number; readonly to: number }): boolean =>
  value !== null && value >= from && value < to;

function mostUsed(tags: readonly string[]): string[] {
  const counts = new Map<string, number>();
  for (const tag of tags) counts.set(tag, (counts.get(tag) ?? 0) + 1);
  return [...counts]
    .sort(([one, times], [other, others]) => others - times || (one < other ? -1 : 1))
    .slice(0, MOST_TAGS)
    .map(([tag]) => tag);
}

/** A sound on the shelf by its slug; null where there is none. */
export const shelfSound = (slug: string): ShelfItem | null =>
  SHELF.find((item) => item.slug === slug && soundOnShelf(item) !== null) ?? null;
