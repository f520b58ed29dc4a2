import { LRUCache } from "lru-cache";
import { remembered } from "../remembered";

/**
 * The tables whose rows pages may keep in memory. Whatever changes in one of them makes the team's stamp grow in the same
 * transaction (migration 0022): a table that is added here needs its triggers.
 */
export const KEPT_TABLES = [
  "brand",
  "product",
  "product_picture",
  "price_step",
  "offer",
  "media",
  "font",
  "template",
  "template_edition",
  "placement",
] as const;
export type KeptTable = (typeof KEPT_TABLES)[number];

/** Answers of the database to a team's queries, by their texts and values, while its stamp stands. */
export type TeamMemory = ReturnType<typeof remembered<readonly object[]>>;

const MOST_TEAMS = 20;
const MOST_QUERIES = 200;

interface Kept {
  readonly stamp: bigint;
  readonly memory: TeamMemory;
}
const teams = new LRUCache<string, Kept>({ max: MOST_TEAMS });

/**
 * What a process remembers of a team whose stamp was just read; null where it grew since, because somebody else read a newer
 * one. What is read after the stamp is never older than it, so what is remembered under a stamp is never older either.
 */
export function memoryOf(team: string, stamp: string): TeamMemory | null {
  const read = BigInt(stamp);
  const before = teams.get(team);
  if (before?.stamp === read) return before.memory;
  if (before && before.stamp > read) return null;
  const memory = remembered<readonly object[]>(MOST_QUERIES);
  teams.set(team, { stamp: read, memory });
  return memory;
}
