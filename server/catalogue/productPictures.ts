import { type TeamScope } from "../db/teamScope";

/** The main picture of each product, by product id. */
export async function mainPictures(scope: TeamScope, productIds: readonly string[]): Promise<Map<string, string>> {
  if (productIds.length === 0) return new Map();
  const rows = await scope.kept(
    scope
      .select("product_picture")
      .select(["product_id", "media_id"])
      .where("product_id", "in", [...productIds])
      .orderBy("position", "desc"),
  );
  // The last one set is the one with the lowest position.
  return new Map(rows.map((row) => [row.product_id, row.media_id]));
}

/** All pictures of a product, in order, the main one first. */
export async function picturesOf(scope: TeamScope, productId: string): Promise<string[]> {
  const rows = await scope.kept(
    scope.select("product_picture").select("media_id").where("product_id", "=", productId).orderBy("position"),
  );
  return rows.map((row) => row.media_id);
}

/** Sets a product's pictures, in order. Throws a 404 for pictures of another team. */
export async function setPictures(scope: TeamScope, productId: string, mediaIds: readonly string[]): Promise<void> {
  const wanted = [...new Set(mediaIds)];
  const own =
    wanted.length > 0
      ? await scope.media().select("id").where("id", "in", wanted).where("kind", "!=", "sound").execute()
      : [];
  if (own.length < wanted.length) throw new Response("A chosen picture is not in your team's media.", { status: 404 });
  await scope.remove("product_picture").where("product_id", "=", productId).execute();
  if (wanted.length > 0)
    await scope
      .insert(
        "product_picture",
        wanted.map((media_id, position) => ({ product_id: productId, media_id, position })),
      )
      .execute();
}
