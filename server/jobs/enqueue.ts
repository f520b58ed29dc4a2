import { createHash } from "node:crypto";
import { type Kysely, sql } from "kysely";
import { type WorkKind } from "../../core/queue/waiting";
import { type InferType, array, boolean, number, object, string } from "yup";
import { type Database } from "../db/tables";

/** A file that takes the place of an item's own once it is read in. */
const replacement = object({
  sha256: string()
    .matches(/^[0-9a-f]{64}$/)
    .required(),
  mime: string().required(),
  bytes: number().required(),
});
export type Replacement = InferType<typeof replacement>;

/** Whose work it is, where several teams take turns. */
const team = string().uuid().optional();

/** The jobs there are and what each is told. */
export const JOBS = {
  "ingest-media": object({
    media: string().uuid().required(),
    replacement: replacement.optional().default(undefined),
    /** Whether reading it in takes seconds or minutes, as a clip's does. */
    isLong: boolean().optional(),
    team,
  }),
  "follow-subject": object({ media: string().uuid().required() }),
  "compare-renders": object({
    team: string().uuid().required(),
    promotions: array(string().uuid().required()).required(),
    reason: string().required(),
  }),
  /** Whether what was approved of a promotion is still what would be rendered; see `server/review`. */
  "check-approval": object({ team: string().uuid().required(), promotion: string().uuid().required() }),
  /** Something goes out to a channel. */
  "send-post": object({ post: string().uuid().required(), asking: number().integer().required(), team }),
  /** How often posts were seen. */
  "read-views": object({}),
  /** What nothing refers to goes; see `server/retention`. */
  "tidy-up": object({}),
  "render-rendition": object({
    rendition: string().uuid().required(),
    asking: number().integer().default(1),
    /** Whether somebody looks at it before anything goes out. */
    isDraft: boolean().optional(),
    team,
  }),
  /** A part of a rendition is painted; see `server/render/sharedPainter`. */
  "paint-segment": object({
    segment: string()
      .matches(/^[0-9a-f]{64}$/)
      .required(),
    isDraft: boolean().optional(),
    team,
  }),
} as const;
export type Jobs = { readonly [Name in keyof typeof JOBS]: InferType<(typeof JOBS)[Name]> };
export type JobName = keyof Jobs;
export const isJobName = (name: string): name is JobName => Object.hasOwn(JOBS, name);
export const JOB_NAMES: readonly JobName[] = Object.keys(JOBS).filter(isJobName);

/** What each job is about: the same work asked for twice is one job, as long as it waits. */
const ABOUT: { readonly [Name in JobName]: (asked: Jobs[Name]) => readonly (string | undefined)[] } = {
  "ingest-media": ({ media, replacement: file }) => [media, file?.sha256],
  "follow-subject": ({ media }) => [media],
  "compare-renders": ({ promotions, reason }) => [
    createHash("sha256")
      .update(promotions.join() + reason)
      .digest("hex"),
  ],
  "check-approval": ({ promotion }) => [promotion],
  "send-post": ({ post }) => [post],
  "read-views": () => [],
  "tidy-up": () => [],
  // However often it was asked for: the newest asking takes the place of one that waits.
  "render-rendition": ({ rendition }) => [rendition],
  "paint-segment": ({ segment }) => [segment],
};
/** What a job is queued under. */
export const keyOf = <Name extends JobName>(name: Name, asked: Jobs[Name]): string =>
  [name, ...ABOUT[name](asked)].filter((part) => part !== undefined).join(":");

export const MOST_TRIES = 4;
/** From one turn to the next; so many of a team stand behind one another in it, the others with the last. */
const TURN = 1000;
/**
 * What goes first of all that waits: the lower, the sooner. What is quick and waited for overtakes what takes long. Of one
 * kind, teams take turns: the second of a team goes with the second of another, however many the first has.
 */
const TURNS: { readonly [Name in JobName]: (asked: Jobs[Name]) => number } = {
  "ingest-media": ({ isLong }) => (isLong === true ? 6 : 0),
  "follow-subject": () => 8,
  "render-rendition": ({ isDraft }) => (isDraft === true ? 4 : 10),
  "paint-segment": ({ isDraft }) => (isDraft === true ? 5 : 11),
  "check-approval": () => 1,
  "send-post": () => 2,
  "read-views": () => 14,
  "compare-renders": () => 12,
  "tidy-up": () => 20,
};

/** What each job is to whoever waits behind it. */
const KINDS: { readonly [Name in JobName]: (asked: Jobs[Name]) => WorkKind } = {
  "ingest-media": ({ isLong }) => (isLong === true ? "clip" : "file"),
  "follow-subject": () => "other",
  "render-rendition": ({ isDraft }) => (isDraft === true ? "draft" : "rendition"),
  // Whoever waits, waits for the rendition that it is a part of.
  "paint-segment": () => "other",
  "check-approval": () => "other",
  "send-post": () => "other",
  "read-views": () => "other",
  "compare-renders": () => "other",
  "tidy-up": () => "other",
};
export const kindOf = <Name extends JobName>(name: Name, asked: Jobs[Name]): WorkKind => KINDS[name](asked);

/**
 * Queues a job, in the caller's transaction if it is one. One that waits already is not queued twice.
 *
 * @param afterMs how long it is to wait at least
 */
export async function enqueue<Name extends JobName>(
  db: Kysely<Database>,
  name: Name,
  payload: Jobs[Name],
  afterMs = 0,
): Promise<void> {
  const turn = TURNS[name](payload) * TURN;
  const own = "team" in payload && typeof payload.team === "string" ? payload.team : null;
  await sql`select graphile_worker.add_job(
    ${name},
    payload := ${JSON.stringify(payload)}::json,
    run_at := now() + ${afterMs} * interval '1 millisecond',
    max_attempts := ${MOST_TRIES},
    priority := ${turn} + least(${TURN - 1}, (
      select count(*) from graphile_worker._private_jobs waiting
      where waiting.payload ->> 'team' = ${own} and waiting.locked_at is null
        and waiting.priority between ${turn} and ${turn + TURN - 1}
    ))::int,
    job_key := ${keyOf(name, payload)}
  )`.execute(db);
}
