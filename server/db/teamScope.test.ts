import { usualOutput } from "../../core/output/output";
import { type TestTeam, testTeam } from "../testing/team";

/** The one place that ties queries to a team: what one team does is never seen or touched by another. */
let mine: TestTeam;
let theirs: TestTeam;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
  for (const team of [mine, theirs]) await everythingIn(team);
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

/** A row in every table that a team has. */
async function everythingIn(team: TestTeam): Promise<void> {
  const { scope, memberId } = team;
  await team.brand("Ash");
  const [productId, mediaId] = [await team.product("Pot", 100), await team.picture("pot.jpg")];
  await scope.insert("product_picture", [{ product_id: productId, media_id: mediaId, position: 0 }]).execute();
  const offer = { name: "Week", terms: "{}", scope: "{}", currency: "GBP", zone: "Europe/London" };
  await scope.insert("offer", { ...offer, starts_at: new Date(0), ends_at: new Date() }).execute();
  const collection = await scope.insert("collection", { name: "Window" }).returning("id").executeTakeFirstOrThrow();
  await scope.insert("collection_media", [{ collection_id: collection.id, media_id: mediaId }]).execute();
  await scope.insert("template_favourite", { member_id: memberId, slug: "one-offer" }).execute();
  const promotion = await scope
    .insert("promotion", { slug: `pot-${scope.teamId}`, name: "Pot", document: "{}" })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope
    .insert("promotion_revision", { promotion_id: promotion.id, revision: 1, document: "{}", member_id: memberId })
    .execute();
  const render = await scope
    .insert("render", { promotion_id: promotion.id, revision: 1, quality: "480p", input: "{}" })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope
    .insert("rendition", {
      render_id: render.id,
      format: "square",
      output: JSON.stringify(usualOutput("480p")),
      file: null,
      file_key: null,
      problem: null,
    })
    .execute();
}

const LISTS = [
  "members",
  "brands",
  "products",
  "offers",
  "productPictures",
  "priceSteps",
  "media",
  "collections",
  "collectionMedia",
  "favourites",
  "promotions",
  "renders",
  "renditions",
] as const;

/** How many rows a list has, asked as any caller asks. */
async function countIn(team: TestTeam, list: (typeof LISTS)[number]): Promise<number> {
  const rows: Record<(typeof LISTS)[number], () => Promise<readonly unknown[]>> = {
    members: () => team.scope.select("member").select("id").execute(),
    brands: () => team.scope.select("brand").select("id").execute(),
    products: () => team.scope.select("product").select("id").execute(),
    offers: () => team.scope.select("offer").select("id").execute(),
    productPictures: () => team.scope.select("product_picture").select("media_id").execute(),
    priceSteps: () => team.scope.select("price_step").select("product_id").execute(),
    media: () => team.scope.media().select("id").execute(),
    collections: () => team.scope.select("collection").select("id").execute(),
    collectionMedia: () => team.scope.select("collection_media").select("media_id").execute(),
    favourites: () => team.scope.select("template_favourite").select("slug").execute(),
    promotions: () => team.scope.select("promotion").select("id").execute(),
    renders: () => team.scope.select("render").select("id").execute(),
    renditions: () => team.scope.select("rendition").select("id").execute(),
  };
  return (await rows[list]()).length;
}

test.each(LISTS)("a team sees its own %s and no other's", async (list) => {
  expect([await countIn(mine, list), await countIn(theirs, list)]).toEqual([1, 1]);
});

test("a change without a condition reaches the team's own rows alone", async () => {
  await mine.scope.update("product").set({ name: "Mine" }).execute();
  await mine.scope.update("media").set({ name: "mine.jpg" }).execute();
  await mine.scope.update("brand").set({ name: "Mine" }).execute();
  await mine.scope.update("offer").set({ name: "Mine" }).execute();
  await mine.scope.update("rendition").set({ progress: 0.5 }).execute();
  expect([
    (await theirs.scope.select("product").select("name").executeTakeFirst())?.name,
    (await theirs.scope.media().select("name").executeTakeFirst())?.name,
    (await theirs.scope.select("brand").select("name").executeTakeFirst())?.name,
    (await theirs.scope.select("offer").select("name").executeTakeFirst())?.name,
    (await theirs.scope.select("rendition").select("progress").executeTakeFirst())?.progress,
  ]).toEqual(["Pot", "pot.jpg", "Ash", "Week", 0]);
});

test("another team's row can't be reached by its id, nor taken out", async () => {
  const { id } = await theirs.scope.select("offer").select("id").executeTakeFirstOrThrow();
  expect(await mine.scope.select("offer").selectAll().where("id", "=", id).executeTakeFirst()).toBeUndefined();
  await mine.scope.remove("offer").where("id", "=", id).execute();
  await mine.scope.remove("product_picture").execute();
  await mine.scope.remove("collection_media").execute();
  await mine.scope.remove("template_favourite").execute();
  expect(await countIn(theirs, "offers")).toBe(1);
  expect(await countIn(theirs, "productPictures")).toBe(1);
  expect(await countIn(theirs, "collectionMedia")).toBe(1);
  expect(await countIn(theirs, "favourites")).toBe(1);
});

test("what was removed is not among the media, and can still be found to be brought back", async () => {
  const id = await mine.picture("gone.jpg");
  await mine.scope.update("media").set({ deleted_at: new Date() }).where("id", "=", id).execute();
  const ids = (rows: readonly { id: string }[]): string[] => rows.map((row) => row.id);
  expect(ids(await mine.scope.media().select("media.id").execute())).not.toContain(id);
  expect(ids(await mine.scope.removedMedia().select("media.id").execute())).toEqual([id]);
  expect(await theirs.scope.removedMedia().select("media.id").execute()).toEqual([]);
});

test("several changes happen together or not at all, still within the team", async () => {
  const adding = mine.scope.together(async (within) => {
    expect(within.teamId).toBe(mine.scope.teamId);
    await within.insert("collection", { name: "Half" }).execute();
    throw new Error("stopped halfway");
  });
  await expect(adding).rejects.toThrow("stopped halfway");
  const names = await mine.scope.select("collection").select("name").execute();
  expect(names.map(({ name }) => name)).not.toContain("Half");
  await mine.scope.together((within) => within.insert("collection", { name: "Whole" }).execute());
  expect((await mine.scope.select("collection").select("name").execute()).map(({ name }) => name)).toContain("Whole");
});
