import { sql } from "kysely";
import { waitInWords } from "../../core/queue/waiting";
import { type Output, readOutput } from "../../core/output/output";
import { type FormatName, isFormatName } from "../../core/placement/formats";
import { type MediaTable, type RenditionState } from "../db/tables";
import { type TeamScope } from "../db/teamScope";
import { type QueuedJob, queuedWork } from "./queuedWork";
import { mediaJobKey, renditionJobKey, waitInLane, workPace } from "./waits";

const MOST_SHOWN = 200;
const DONE_DAYS = 1;
const FAILED_DAYS = 7;

/** Something of a team's that is made by a job, as the page of the queue shows it. */
export interface QueueItem {
  readonly id: string;
  readonly what: "rendition" | MediaTable["kind"];
  /** The name of the promotion, or of the media item. */
  readonly name: string;
  /** Of a rendition: the promotion's slug, the format, and how it is made. */
  readonly of: { readonly slug: string; readonly format: FormatName; readonly output: Output } | null;
  readonly state: RenditionState;
  readonly progress: number;
  readonly problem: string | null;
  /** The machine it is made on, while it is. */
  readonly host: string | null;
  /** What it waits behind, and about how long, in words. */
  readonly wait: string | null;
  readonly endedAt: Date | null;
}

/** All that a team has in the queue, and what came of it lately. */
export interface TeamQueue {
  readonly running: readonly QueueItem[];
  /** In the order in which it is begun. */
  readonly waiting: readonly QueueItem[];
  readonly failed: readonly QueueItem[];
  readonly done: readonly QueueItem[];
  /** How many jobs others have in the queue: teams, or the house. */
  readonly others: number;
}

export async function teamQueue(scope: TeamScope): Promise<TeamQueue> {
  const [media, renditions, queue, pace] = await Promise.all([
    mediaItems(scope),
    renditionItems(scope),
    queuedWork(scope.connection),
    workPace(scope.connection),
  ]);
  const items = [...media, ...renditions];
  const places = new Map(queue.map((job, place) => [job.key, { job, place }]));
  const placed = items.map((item) => ({ item, at: places.get(keyFor(item)) }));
  const own = new Set(placed.flatMap(({ at }) => (at ? [at.job] : [])));
  const inState = (...states: RenditionState[]): QueueItem[] =>
    placed
      .filter(({ item }) => states.includes(item.state))
      .sort((one, other) => (one.at?.place ?? Infinity) - (other.at?.place ?? Infinity))
      .map(({ item, at }) => {
        const wait = waitInLane(keyFor(item), queue, pace);
        return { ...item, host: at?.job.host ?? null, wait: wait && waitInWords(wait) };
      });
  return {
    running: inState("working"),
    waiting: inState("waiting"),
    failed: newestFirst(inState("failed")),
    done: newestFirst(inState("ready")),
    others: queue.filter((job: QueuedJob) => !own.has(job)).length,
  };
}

const newestFirst = (items: readonly QueueItem[]): QueueItem[] =>
  items.toSorted((one, other) => (other.endedAt?.getTime() ?? 0) - (one.endedAt?.getTime() ?? 0));

const keyFor = ({ what, id }: Pick<QueueItem, "what" | "id">): string =>
  what === "rendition" ? renditionJobKey(id) : mediaJobKey(id);

const daysAgo = (days: number) => sql<Date>`now() - ${days} * interval '1 day'`;

async function mediaItems(scope: TeamScope): Promise<QueueItem[]> {
  const rows = await scope
    .media()
    .select(["id", "kind", "name", "state", "progress", "problem", "created_at"])
    .where((eb) =>
      eb.or([
        eb("state", "in", ["waiting", "working"]),
        eb.and([eb("state", "=", "failed"), eb("created_at", ">", daysAgo(FAILED_DAYS))]),
      ]),
    )
    .orderBy("created_at", "desc")
    .limit(MOST_SHOWN)
    .execute();
  return rows.map(({ id, kind, name, state, progress, problem, created_at }) => ({
    ...{ id, name, state, progress, problem, what: kind, of: null, host: null, wait: null },
    endedAt: created_at,
  }));
}

async function renditionItems(scope: TeamScope): Promise<QueueItem[]> {
  const rows = await scope
    .select("rendition")
    .innerJoin("render", "render.id", "rendition.render_id")
    .innerJoin("promotion", "promotion.id", "render.promotion_id")
    .where((eb) =>
      eb.or([
        eb("rendition.state", "in", ["waiting", "working"]),
        eb.and([eb("rendition.state", "=", "failed"), eb("rendition.ended_at", ">", daysAgo(FAILED_DAYS))]),
        eb.and([eb("rendition.state", "=", "ready"), eb("rendition.ended_at", ">", daysAgo(DONE_DAYS))]),
      ]),
    )
    .orderBy("rendition.created_at", "desc")
    .limit(MOST_SHOWN)
    .select([
      "rendition.id",
      "rendition.format",
      "rendition.state",
      "rendition.progress",
      "rendition.problem",
      "rendition.ended_at",
      "rendition.output",
      "promotion.slug",
      "promotion.name",
    ])
    .execute();
  return rows.flatMap(({ id, format, output, state, progress, problem, ended_at, slug, name }) =>
    isFormatName(format)
      ? [
          {
            ...{ id, name, state, progress, problem, what: "rendition" as const, host: null, wait: null },
            of: { slug, format, output: readOutput(output) },
            endedAt: ended_at,
          },
        ]
      : [],
  );
}

/**
 * Lets something that waits go before all else of its team's. It takes the place of the team's own first, so that no other
 * team waits longer for it. Gives whether it waits at all.
 */
export async function moveToFront(scope: TeamScope, id: string): Promise<boolean> {
  const { waiting } = await teamQueue(scope);
  const item = waiting.find((one) => one.id === id);
  const [first] = waiting;
  if (!item || !first) return false;
  if (first === item) return true;
  const { rows } = await sql<{ id: string }>`
    select job.id from graphile_worker.reschedule_jobs(
      array(select own.id from graphile_worker._private_jobs own where own.key = ${keyFor(item)} and own.locked_at is null),
      run_at := (select first.run_at - interval '1 millisecond'
        from graphile_worker._private_jobs first where first.key = ${keyFor(first)}),
      priority := (select first.priority from graphile_worker._private_jobs first where first.key = ${keyFor(first)})
    ) job`.execute(scope.connection);
  return rows.length > 0;
}
