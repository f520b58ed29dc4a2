import { type Kysely, type Transaction, sql } from "kysely";
import { type Database, type SegmentEnd } from "../db/tables";
import { segmentKey } from "../storage/keys";
import { store } from "../storage/store";
import { type Segment } from "./renderPlan";

/** Whoever waits says so anew long before that; a worker that was killed does not. */
const WAITS_FOR_SECONDS = 15;
const untilThen = sql<Date>`now() + ${WAITS_FOR_SECONDS} * interval '1 second'`;

/**
 * Notes that a rendition waits for segments. What another is being painted for is not begun anew; what failed, or was stored
 * and is there no more, is.
 */
export async function awaitSegments(
  within: Transaction<Database>,
  rendition: string,
  segments: readonly Segment[],
): Promise<void> {
  if (segments.length === 0) return;
  // By their keys: two renditions that wait for the same ones never hold what the other is waiting for.
  const inOrder = [...segments].sort((one, other) => (one.key < other.key ? -1 : 1));
  const works = await within
    .insertInto("segment_work")
    .values(inOrder.map(({ key }) => ({ key, ended: null })))
    .onConflict((conflict) => conflict.column("key").doUpdateSet({ asked_at: sql`now()` }))
    .returning(["key", "ended"])
    .execute();
  const gone = await Promise.all(
    works.map(async ({ key, ended }) => {
      const isThere = ended === null || (ended === "stored" && (await store().has(segmentKey(key))));
      return isThere ? [] : [key];
    }),
  ).then((keys) => keys.flat());
  if (gone.length > 0)
    await within.updateTable("segment_work").set({ ended: null, painted: 0 }).where("key", "in", gone).execute();
  const waits = inOrder.map(({ key, from, to }) => ({
    ...{ key, rendition_id: rendition, from_frame: from, to_frame: to, until: untilThen },
  }));
  await within
    .insertInto("segment_wait")
    .values(waits)
    .onConflict((conflict) => conflict.columns(["key", "rendition_id"]).doUpdateSet({ until: untilThen }))
    .execute();
}

/** Says that a rendition still waits. */
export async function stillAwaits(db: Kysely<Database>, rendition: string): Promise<void> {
  await db.updateTable("segment_wait").set({ until: untilThen }).where("rendition_id", "=", rendition).execute();
}

/** Says that a rendition waits no longer, whatever came of it. */
export async function awaitsNoMore(db: Kysely<Database>, rendition: string): Promise<void> {
  await db.deleteFrom("segment_wait").where("rendition_id", "=", rendition).execute();
}

/** How far the segments are that a rendition waits for. */
export const awaitedBy = (db: Kysely<Database>, rendition: string) =>
  db
    .selectFrom("segment_wait")
    .innerJoin("segment_work", "segment_work.key", "segment_wait.key")
    .where("rendition_id", "=", rendition)
    .select(["segment_work.key", "painted", "ended"])
    .execute();

/** A rendition that waits for a segment, with where the segment lies in it; undefined where nobody does. */
export const whoAwaits = (db: Kysely<Database>, key: string) =>
  db
    .selectFrom("segment_wait")
    .innerJoin("rendition", "rendition.id", "segment_wait.rendition_id")
    .innerJoin("render", "render.id", "rendition.render_id")
    .where("segment_wait.key", "=", key)
    .where("until", ">", sql<Date>`now()`)
    .select(["from_frame", "to_frame", "rendition.format", "rendition.output", "render.input"])
    .limit(1)
    .executeTakeFirst();

/** Notes how many frames of a segment are painted. Gives whether anybody still waits for it. */
export async function notePainted(db: Kysely<Database>, key: string, painted: number): Promise<boolean> {
  const row = await db
    .updateTable("segment_work")
    .set({ painted })
    .where("key", "=", key)
    .returning((eb) =>
      eb
        .exists(
          eb
            .selectFrom("segment_wait")
            .whereRef("segment_wait.key", "=", "segment_work.key")
            .where("until", ">", sql<Date>`now()`)
            .select(sql`1`.as("one")),
        )
        .as("isAwaited"),
    )
    .executeTakeFirst();
  return Boolean(row?.isAwaited);
}

/** Notes how the painting of a segment ended. */
export async function endSegment(db: Kysely<Database>, key: string, ended: SegmentEnd): Promise<void> {
  await db.updateTable("segment_work").set({ ended }).where("key", "=", key).execute();
}

/** Of the keys of jobs, those under which one waits or runs. */
export async function queuedAmong(db: Kysely<Database>, keys: readonly string[]): Promise<ReadonlySet<string>> {
  const { rows } = await sql<{ key: string }>`
    select key from graphile_worker._private_jobs
    where key = any(${keys}::text[]) and (attempts < max_attempts or locked_at is not null)`.execute(db);
  return new Set(rows.map(({ key }) => key));
}
