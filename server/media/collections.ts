import { type TeamScope } from "../db/teamScope";

export interface Collection {
  readonly id: string;
  readonly name: string;
  readonly count: number;
}

const MOST_NAME = 60;

/** The team's collections by name, with how many items are in each. */
export async function collectionsOf(scope: TeamScope): Promise<Collection[]> {
  const rows = await scope
    .select("collection")
    .leftJoin("collection_media", "collection_media.collection_id", "collection.id")
    .select(["collection.id", "collection.name"])
    .select(({ fn }) => fn.count<string>("collection_media.media_id").as("count"))
    .groupBy(["collection.id", "collection.name"])
    .orderBy("collection.name")
    .execute();
  return rows.map(({ id, name, count }) => ({ id, name, count: Number(count) }));
}

/** Makes a collection, or finds the one of that name. Gives its id, or the problem in words. */
export async function addCollection(
  scope: TeamScope,
  typed: string,
): Promise<{ readonly id: string } | { readonly problem: string }> {
  const name = typed.trim();
  if (name === "") return { problem: "A collection needs a name." };
  if (Array.from(name).length > MOST_NAME) return { problem: `At most ${MOST_NAME} characters.` };
  const known = await scope.select("collection").select("id").where("name", "=", name).executeTakeFirst();
  return known ?? (await scope.insert("collection", { name }).returning("id").executeTakeFirstOrThrow());
}

export async function removeCollection(scope: TeamScope, id: string): Promise<void> {
  await scope.remove("collection").where("id", "=", id).execute();
}

/** Puts items into a collection. Throws a 404 when it is not the team's. */
export async function collect(scope: TeamScope, collectionId: string, mediaIds: readonly string[]): Promise<void> {
  if (
    !(await scope
      .select("collection")
      .select("collection.id")
      .where("collection.id", "=", collectionId)
      .executeTakeFirst())
  )
    throw new Response("There is no such collection in your team.", { status: 404 });
  const own =
    mediaIds.length > 0
      ? await scope
          .media()
          .select("id")
          .where("id", "in", [...mediaIds])
          .execute()
      : [];
  if (own.length > 0)
    await scope
      .insert(
        "collection_media",
        own.map(({ id }) => ({ collection_id: collectionId, media_id: id })),
      )
      .onConflict((conflict) => conflict.doNothing())
      .execute();
}

export async function takeOut(scope: TeamScope, collectionId: string, mediaIds: readonly string[]): Promise<void> {
  if (mediaIds.length > 0)
    await scope
      .remove("collection_media")
      .where("collection_id", "=", collectionId)
      .where("media_id", "in", [...mediaIds])
      .execute();
}
