import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";

/**
 * Forgets old renditions: those that were never made, and those of which there is a newer one of the same promotion in the
 * same format, made alike. A render of which no rendition is left goes with them; what was approved, or posted, stays. Gives how many
 * renditions went.
 */
export async function forgetOldRenditions(db: Kysely<Database>, before: Date): Promise<number> {
  return db.transaction().execute(async (within) => {
    const gone = await sql`
      delete from rendition as old using render
      where render.id = old.render_id and old.created_at < ${before}
        and not exists (select from verdict where verdict.render_id = render.id and decision = 'approved')
        and not exists (
          select from post where post.rendition_id = old.id and post.state not in ('failed', 'cancelled'))
        and (
        old.state in ('failed', 'cancelled')
        or (old.state = 'ready' and exists (
          select from rendition as newer join render as its on its.id = newer.render_id
          where its.promotion_id = render.promotion_id and newer.format = old.format
            and newer.output = old.output and newer.state = 'ready'
            and newer.created_at > old.created_at)))`.execute(within);
    await sql`
      delete from render where created_at < ${before}
        and not exists (select from rendition where rendition.render_id = render.id)`.execute(within);
    return Number(gone.numAffectedRows ?? 0);
  });
}
