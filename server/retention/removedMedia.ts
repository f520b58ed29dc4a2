import { type Kysely, sql } from "kysely";
import { type Database } from "../db/tables";

/** Where documents name media that may be wanted again. */
const DOCUMENTS = [
  ["promotion", "document"],
  ["promotion_revision", "document"],
  ["render", "input"],
  ["brand", "book"],
  ["template", "draft"],
  ["template_edition", "document"],
] as const;

/** Forgets media that were removed before a time and that no document names, whoever's version it is. Gives how many. */
export async function forgetRemovedMedia(db: Kysely<Database>, before: Date): Promise<number> {
  const named = sql.join(
    DOCUMENTS.map(
      ([table, column]) => sql`exists (
        select from ${sql.table(table)} as document
        where document.team_id = media.team_id and document.${sql.ref(column)}::text like '%"' || media.id || '"%')`,
    ),
    sql` or `,
  );
  const gone = await db
    .deleteFrom("media")
    .where("deleted_at", "<", before)
    .where(sql<boolean>`not (${named})`)
    .where(sql<boolean>`not exists (select from product_picture where product_picture.media_id = media.id)`)
    .executeTakeFirst();
  return Number(gone.numDeletedRows);
}
