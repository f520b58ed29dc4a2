import { type Kysely, sql } from "kysely";
import { WORK_KINDS, type WorkKind } from "../../core/queue/waiting";
import { type Database } from "../db/tables";
import { type TeamScope } from "../db/teamScope";

/** What is noted of a job that ended well. */
export interface JobNote {
  readonly team: string;
  /** How many frames a rendition has, and how many of them had to be painted. */
  readonly frames?: number;
  readonly freshFrames?: number;
}

/** Until enough was measured. */
const FIRST_MS: Readonly<Record<WorkKind, number>> = {
  clip: 30_000,
  file: 1500,
  draft: 20_000,
  rendition: 90_000,
  other: 10_000,
};
/** So many of the newest times count. */
const NEWEST = 30;

/**
 * Notes what a job took, from `started` until now, and how long it had waited.
 *
 * @param waitedFrom when it might have begun; by the database's clock, as it was told
 * @param started by this machine's clock, in milliseconds
 */
export async function noteTime(
  db: Kysely<Database>,
  kind: WorkKind,
  { team, frames = 0, freshFrames = 0 }: JobNote,
  { waitedFrom, started }: { readonly waitedFrom: Date; readonly started: number },
): Promise<void> {
  await db
    .insertInto("job_time")
    .values({
      kind,
      team_id: team,
      waited_ms: Math.max(0, Math.round(started - waitedFrom.getTime())),
      took_ms: Math.max(0, Date.now() - started),
      frames,
      fresh_frames: freshFrames,
    })
    .execute();
}

/** How long work of each kind takes, in milliseconds: the median of the newest. */
export async function usualTimes(db: Kysely<Database>): Promise<Readonly<Record<WorkKind, number>>> {
  const { rows } = await sql<{ kind: string; usual: number }>`
    select kind, percentile_cont(0.5) within group (order by took_ms)::float8 as usual
    from (select kind, took_ms, row_number() over (partition by kind order by ended_at desc) as place from job_time) newest
    where place <= ${NEWEST} group by kind`.execute(db);
  const measured = new Map(rows.map(({ kind, usual }) => [kind, usual]));
  const usual = { ...FIRST_MS };
  for (const kind of WORK_KINDS) usual[kind] = measured.get(kind) ?? FIRST_MS[kind];
  return usual;
}

/** What was done for a team in an hour. */
export interface HourOfWork {
  /** How many hours ago it began, the hour that runs being 0. */
  readonly ago: number;
  readonly renditions: number;
  readonly files: number;
  /** Half of it waited no longer, in seconds; null where nothing was done. */
  readonly waited: number | null;
  /** How much of the frames of its renditions was there already, 0…1; null where it had none. */
  readonly reused: number | null;
}

/** What was done for a team in each of the last hours, the oldest first. */
export async function hoursOfWork(scope: TeamScope, hours: number): Promise<readonly HourOfWork[]> {
  const { rows } = await sql<{
    ago: number;
    renditions: number;
    files: number;
    waited: number | null;
    frames: number;
    fresh: number;
  }>`
    select ago, count(kind) filter (where kind in (${"draft"}, ${"rendition"}))::int as renditions,
      count(kind) filter (where kind in (${"clip"}, ${"file"}))::int as files,
      percentile_cont(0.5) within group (order by waited_ms)::float8 / 1000 as waited,
      coalesce(sum(frames), 0)::float8 as frames, coalesce(sum(fresh_frames), 0)::float8 as fresh
    from generate_series(0, ${hours - 1}) ago
    left join job_time on team_id = ${scope.teamId}
      and ended_at > now() - (ago + 1) * interval '1 hour' and ended_at <= now() - ago * interval '1 hour'
    group by ago order by ago desc`.execute(scope.connection);
  return rows.map(({ frames, fresh, ...hour }) => ({ ...hour, reused: frames === 0 ? null : 1 - fresh / frames }));
}
