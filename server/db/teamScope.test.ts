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
  await scope.addProductPictures([{ product_id: productId, media_id: mediaId, position: 0 }]).execute();
  const offer = { name: "Week", terms: "{}", scope: "{}", currency: "GBP", zone: "Europe/London" };
  await scope.addOffer({ ...offer, starts_at: new Date(0), ends_at: new Date() }).execute();
  const collection = await scope.addCollection({ name: "Window" }).returning("id").executeTakeFirstOrThrow();
  await scope.addToCollection([{ collection_id: collection.id, media_id: mediaId }]).execute();
  await scope.addFavourite({ member_id: memberId, slug: "one-offer" }).execute();
  const promotion = await scope
    .addPromotion({ slug: `pot-${scope.teamId}`, name: "Pot", document: "{}" })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope.addRevision({ promotion_id: promotion.id, revision: 1, document: "{}", member_id: memberId }).execute();
  const render = await scope
    .addRender({ promotion_id: promotion.id, revision: 1, quality: "480p", input: "{}" })
    .returning("id")
    .executeTakeFirstOrThrow();
  await scope
    .addRendition({ render_id: render.id, format: "square", file: null, file_key: null, problem: null })
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
    members: () => team.scope.members().select("id").execute(),
    brands: () => team.scope.brands().select("id").execute(),
    products: () => team.scope.products().select("id").execute(),
    offers: () => team.scope.offers().select("id").execute(),
    productPictures: () => team.scope.productPictures().select("media_id").execute(),
    priceSteps: () => team.scope.priceSteps().select("product_id").execute(),
    media: () => team.scope.media().select("id").execute(),
    collections: () => team.scope.collections().select("id").execute(),
    collectionMedia: () => team.scope.collectionMedia().select("media_id").execute(),
    favourites: () => team.scope.favourites().select("slug").execute(),
    promotions: () => team.scope.promotions().select("id").execute(),
    renders: () => team.scope.renders().select("id").execute(),
    renditions: () => team.scope.renditions().select("id").execute(),
  };
  return (await rows[list]()).length;
}

test.each(LISTS)("a team sees its own %s and no other's", async (list) => {
  expect([await countIn(mine, list), await countIn(theirs, list)]).toEqual([1, 1]);
});

test("a change without a condition reaches the team's own rows alone", async () => {
  await mine.scope.changeProduct().set({ name: "Mine" }).execute();
  await mine.scope.changeMedia().set({ name: "mine.jpg" }).execute();
  await mine.scope.changeBrand().set({ name: "Mine" }).execute();
  await mine.scope.changeOffer().set({ name: "Mine" }).execute();
  await mine.scope.changeRendition().set({ progress: 0.5 }).execute();
  expect([
    (await theirs.scope.products().select("name").executeTakeFirst())?.name,
    (await theirs.scope.media().select("name").executeTakeFirst())?.name,
    (await theirs.scope.brands().select("name").executeTakeFirst())?.name,
    (await theirs.scope.offers().select("name").executeTakeFirst())?.name,
    (await theirs.scope.renditions().select("progress").executeTakeFirst())?.progress,
  ]).toEqual(["Pot", "pot.jpg", "Ash", "Week", 0]);
});

test("another team's row can't be reached by its id, nor taken out", async () => {
  const { id } = await theirs.scope.offers().select("id").executeTakeFirstOrThrow();
  expect(await mine.scope.offers().selectAll().where("id", "=", id).executeTakeFirst()).toBeUndefined();
  await mine.scope.removeOffer().where("id", "=", id).execute();
  await mine.scope.removeProductPictures().execute();
  await mine.scope.removeFromCollection().execute();
  await mine.scope.removeFavourite().execute();
  expect(await countIn(theirs, "offers")).toBe(1);
  expect(await countIn(theirs, "productPictures")).toBe(1);
  expect(await countIn(theirs, "collectionMedia")).toBe(1);
  expect(await countIn(theirs, "favourites")).toBe(1);
});

test("what was removed is not among the media, and can still be found to be brought back", async () => {
  const id = await mine.picture("gone.jpg");
  await mine.scope.changeMedia().set({ deleted_at: new Date() }).where("id", "=", id).execute();
  const ids = (rows: readonly { id: string }[]): string[] => rows.map((row) => row.id);
  expect(ids(await mine.scope.media().select("media.id").execute())).not.toContain(id);
  expect(ids(await mine.scope.removedMedia().select("media.id").execute())).toEqual([id]);
  expect(await theirs.scope.removedMedia().select("media.id").execute()).toEqual([]);
});

test("several changes happen together or not at all, still within the team", async () => {
  const adding = mine.scope.together(async (within) => {
    expect(within.teamId).toBe(mine.scope.teamId);
    await within.addCollection({ name: "Half" }).execute();
    throw new Error("stopped halfway");
  });
  await expect(adding).rejects.toThrow("stopped halfway");
  const names = await mine.scope.collections().select("name").execute();
  expect(names.map(({ name }) => name)).not.toContain("Half");
  await mine.scope.together((within) => within.addCollection({ name: "Whole" }).execute());
  expect((await mine.scope.collections().select("name").execute()).map(({ name }) => name)).toContain("Whole");
});
