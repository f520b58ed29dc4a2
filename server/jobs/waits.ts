import { type Kysely } from "kysely";
import { waitFor, waitInWords } from "../../core/queue/waiting";
import { type Database } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { keyOf } from "./enqueue";
import { seenLately } from "./heartbeat";
import { usualTimes } from "./jobTimes";
import { JOBS_AT_ONCE } from "./jobsAtOnce";
import { MOST_QUEUED, queuedWork } from "./queuedWork";

/**
 * What each item of a team that waits – media to be read in, renditions to be rendered – waits behind, and about how long,
 * in words, by its id. What other teams have in the queue counts, and is not told apart.
 */
export async function waitsOf(scope: TeamScope): Promise<Readonly<Record<string, string>>> {
  const db = scope.connection;
  const [media, renditions] = await Promise.all([
    scope.media().select("id").where("state", "=", "waiting").limit(MOST_QUEUED).execute(),
    scope.select("rendition").select("id").where("state", "=", "waiting").limit(MOST_QUEUED).execute(),
  ]);
  if (media.length + renditions.length === 0) return {};
  const [queue, pace] = await Promise.all([queuedWork(db), workPace(db)]);
  const keys = [
    ...media.map(({ id }) => [id, mediaJobKey(id)] as const),
    ...renditions.map(({ id }) => [id, renditionJobKey(id)] as const),
  ];
  return Object.fromEntries(
    keys.flatMap(([id, key]) => {
      const wait = waitFor(key, queue, pace);
      return wait ? [[id, waitInWords(wait)]] : [];
    }),
  );
}

/** What an item that is read in, and a rendition, are queued under. */
export const mediaJobKey = (media: string): string => keyOf("ingest-media", { media, replacement: undefined });
export const renditionJobKey = (rendition: string): string => keyOf("render-rendition", { rendition, asking: 1 });

/** How long work takes, and how much is done at once. */
export async function workPace(db: Kysely<Database>) {
  const [usualMs, atOnce] = await Promise.all([usualTimes(db), runningAtOnce(db)]);
  return { usualMs, atOnce };
}

async function runningAtOnce(db: Kysely<Database>): Promise<number> {
  const { workers } = await db
    .selectFrom("worker")
    .select((eb) => eb.fn.countAll<string>().as("workers"))
    .where(seenLately)
    .executeTakeFirstOrThrow();
  return Number(workers) * JOBS_AT_ONCE;
}
