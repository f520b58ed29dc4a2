import { sql } from "kysely";
import { ALIKE_WITHIN } from "../../core/picture/perceptualHash";
import { type TeamScope } from "../db/teamScope";
import { itemOf } from "./mediaList";
import { moreFacts } from "./storedFacts";
import { usesOf } from "../usage/usesOf";

const MOST_ALIKE = 6;

/** Everything known of one item. Throws a 404 when there is none. */
export async function mediaDetail(scope: TeamScope, id: string, today: string) {
  const row = await scope.media().selectAll().where("id", "=", id).executeTakeFirst();
  if (!row) throw new Response("There is no such media item in your team.", { status: 404 });
  const [uses, alike, collections, products] = await Promise.all([
    usesOf(scope, id),
    row.look === null
      ? []
      : scope
          .media()
          .select(["id", "name", "facts", "kind"])
          .where("id", "!=", id)
          .where("look", "is not", null)
          .where(sql<boolean>`bit_count((look # ${row.look}::bigint)::bit(64)) <= ${ALIKE_WITHIN}`)
          .orderBy(sql`bit_count((look # ${row.look}::bigint)::bit(64))`)
          .limit(MOST_ALIKE)
          .execute(),
    scope.select("collection_media").select("collection_id").where("media_id", "=", id).execute(),
    scope.select("product_picture").select("product_id").where("media_id", "=", id).execute(),
  ]);
  return {
    ...itemOf(row, today),
    ...moreFacts(row),
    mime: row.mime,
    sha256: row.sha256,
    createdAt: row.created_at,
    note: { source: row.source, licence: row.licence, holder: row.holder, from: row.rights_from, to: row.rights_to },
    colorWords: row.colors,
    uses,
    alike: alike.map(({ id: other, name }) => ({ id: other, name })),
    collections: collections.map(({ collection_id }) => collection_id),
    products: products.map(({ product_id }) => product_id),
  };
}
