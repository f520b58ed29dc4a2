import { type Kysely, sql } from "kysely";
import { type Wait, waitFor, waitInWords } from "../../core/queue/waiting";
import { type Database } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { keyOf } from "./enqueue";
import { seenLately } from "./heartbeat";
import { usualTimes } from "./jobTimes";
import { jobsAtOnce } from "./lanes";
import { MOST_QUEUED, type QueuedJob, queuedWork } from "./queuedWork";

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
      const wait = waitInLane(key, queue, pace);
      return wait ? [[id, waitInWords(wait)]] : [];
    }),
  );
}

/** What an item that is read in, and a rendition, are queued under. */
export const mediaJobKey = (media: string): string => keyOf("ingest-media", { media, replacement: undefined });
export const renditionJobKey = (rendition: string): string => keyOf("render-rendition", { rendition, asking: 1 });

/** How long work takes, and how many workers do it. */
export interface WorkPace {
  readonly usualMs: Awaited<ReturnType<typeof usualTimes>>;
  readonly workers: number;
}
export async function workPace(db: Kysely<Database>): Promise<WorkPace> {
  const [usualMs, workers] = await Promise.all([usualTimes(db), workersNow(db)]);
  return { usualMs, workers };
}

/** What goes before a job in its own lane, and about how long that takes. Null where the job does not wait. */
export function waitInLane(key: string, queue: readonly QueuedJob[], { usualMs, workers }: WorkPace): Wait | null {
  const lane = queue.find((job) => job.key === key)?.lane;
  if (lane === undefined) return null;
  const beside = queue.filter((job) => job.lane === lane);
  return waitFor(key, beside, { usualMs, atOnce: workers * jobsAtOnce(lane) });
}

async function workersNow(db: Kysely<Database>): Promise<number> {
  const { workers } = await db
    .selectFrom("worker")
    // Each has an entry for every lane.
    .select(sql<string>`count(distinct (host, pid))`.as("workers"))
    .where(seenLately)
    .executeTakeFirstOrThrow();
  return Number(workers);
}
