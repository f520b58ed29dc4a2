import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";

/**
 * Thins what is kept of promotions' histories: edits go after some days, once the version that they led to is kept whole;
 * of versions that nobody named and nothing was rendered from, the last of each day stays. The first and the newest stay.
 *
 * @param before what is younger stays as it is
 */
export async function thinEdits(db: Kysely<Database>, before: Date): Promise<{ edits: number; versions: number }> {
  return db.transaction().execute(async (within) => {
    // What a promotion is now, where its last edit goes.
    await sql`
      insert into promotion_revision (team_id, promotion_id, revision, document, created_at)
      select team_id, id, revision, document, updated_at from promotion where updated_at < ${before}
      on conflict (promotion_id, revision) do nothing`.execute(within);
    const edits = await within.deleteFrom("promotion_edit").where("created_at", "<", before).executeTakeFirst();
    const versions = await sql`
      delete from promotion_revision as one
      where one.created_at < ${before} and one.name is null and one.revision > 1
        and not exists (select from render where render.promotion_id = one.promotion_id and render.revision = one.revision)
        and exists (
          select from promotion_revision as later
          where later.promotion_id = one.promotion_id and later.revision > one.revision
            and date_trunc('day', later.created_at) = date_trunc('day', one.created_at))`.execute(within);
    return { edits: Number(edits.numDeletedRows), versions: Number(versions.numAffectedRows ?? 0) };
  });
}
