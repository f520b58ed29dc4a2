import { type TestTeam, formOf, testTeam } from "../testing/team";
import { addCollection, collect, collectionsOf, takeOut } from "./collections";
import { mediaDetail } from "./mediaDetail";
import { listMedia, readMediaQuery } from "./mediaList";
import { moveFocal, noteRights, removeMedia, renameMedia, restoreMedia, tagMedia } from "./mediaChanges";
import { setPictures } from "../catalogue/productPictures";

let mine: TestTeam;
let theirs: TestTeam;
beforeEach(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
});
afterEach(() => Promise.all([mine.close(), theirs.close()]));

const TODAY = "2030-05-01";
const found = async (search: string) =>
  (await listMedia(mine.scope, readMediaQuery(new URLSearchParams(search)), TODAY)).items
    .map(({ name }) => name)
    .sort();

test("media are found by each of their sides, and only the team's own", async () => {
  await mine.picture("tall fern.jpg", { width: 900, height: 1600, colors: ["green"], licence: "own work" });
  await mine.picture("wide wall.jpg", {
    colors: ["brown", "green"],
    tags: ["wall"],
    licence: "bought",
    rights_to: "2030-04-30",
  });
  await mine.picture("square sign.svg", { width: 500, height: 520, is_logo: true });
  await mine.picture("short.mp4", {
    kind: "clip",
    length_ms: 4000,
    facts: JSON.stringify({
      width: 1600,
      height: 1200,
      levels: 5,
      focal: { x: 0.5, y: 0.5 },
      frames: 120,
      rate: { numerator: 30, denominator: 1 },
      hasSound: false,
    }),
    licence: "own work",
  });
  await theirs.picture("tall theirs.jpg");
  expect(await found("words=TALL")).toEqual(["tall fern.jpg"]);
  expect(await found("words=wall")).toEqual(["wide wall.jpg"]);
  expect(await found("kind=logo")).toEqual(["square sign.svg"]);
  expect(await found("kind=clip")).toEqual(["short.mp4"]);
  expect(await found("shape=standing")).toEqual(["tall fern.jpg"]);
  expect(await found("shape=square")).toEqual(["square sign.svg"]);
  expect(await found("shape=lying")).toEqual(["short.mp4", "wide wall.jpg"]);
  expect(await found("length=under+5+s")).toEqual(["short.mp4"]);
  expect(await found("color=green")).toEqual(["tall fern.jpg", "wide wall.jpg"]);
  expect(await found("tag=wall")).toEqual(["wide wall.jpg"]);
  expect(await found("rights=ended")).toEqual(["wide wall.jpg"]);
  expect(await found("rights=missing")).toEqual(["square sign.svg"]);
  expect(await found("rights=clear")).toEqual(["short.mp4", "tall fern.jpg"]);
  expect(await found("color=%27%3B+drop&kind=moon&page=-3")).toHaveLength(4);
});

test("an item in use is not removed, and says where; a free one is, and comes back", async () => {
  const [used, free] = [await mine.picture("used.jpg"), await mine.picture("free.jpg")];
  await setPictures(mine.scope, await mine.product("Pot", 100), [used]);
  const { removed, problem } = await removeMedia(mine.scope, [used, free]);
  expect(removed).toEqual([free]);
  expect(problem).toContain("“used.jpg” is used in the product “Pot”");
  expect(await found("")).toEqual(["used.jpg"]);
  await restoreMedia(mine.scope, removed);
  expect(await found("")).toEqual(["free.jpg", "used.jpg"]);
});

test("nothing of another team is changed", async () => {
  const foreign = await theirs.picture("theirs.jpg");
  expect((await removeMedia(mine.scope, [foreign])).removed).toEqual([]);
  await tagMedia(mine.scope, [foreign], "mine", true);
  await noteRights(mine.scope, [foreign], formOf({ licence: "mine" }));
  await renameMedia(mine.scope, foreign, "mine.jpg");
  await moveFocal(mine.scope, foreign, { x: 0, y: 0 });
  await expect(mediaDetail(mine.scope, foreign, TODAY)).rejects.toMatchObject({ status: 404 });
  expect(await theirs.scope.media().select(["name", "tags", "licence", "deleted_at"]).executeTakeFirst()).toEqual({
    name: "theirs.jpg",
    tags: [],
    licence: "",
    deleted_at: null,
  });
});

test("tags are given once and taken again; rights have an order", async () => {
  const id = await mine.picture("pot.jpg");
  await tagMedia(mine.scope, [id], "Clay, clay; Pots", true);
  await tagMedia(mine.scope, [id], "clay", true);
  expect((await mediaDetail(mine.scope, id, TODAY)).tags).toEqual(["pots", "clay"]);
  await tagMedia(mine.scope, [id], "pots", false);
  expect((await mediaDetail(mine.scope, id, TODAY)).tags).toEqual(["clay"]);
  expect(
    await noteRights(
      mine.scope,
      [id],
      formOf({ licence: "bought", rights_from: "2030-05-02", rights_to: "2030-05-01" }),
    ),
  ).toMatchObject({ ok: false, problems: { rights_to: expect.stringContaining("before the first") as string } });
  await noteRights(mine.scope, [id], formOf({ licence: "bought", rights_from: "2030-05-02" }));
  expect((await mediaDetail(mine.scope, id, TODAY)).rights).toBe("not-yet");
});

test("items that look alike are told, others are not", async () => {
  const id = await mine.picture("pot.jpg", { look: "255" });
  await mine.picture("pot small.jpg", { look: "247" });
  await mine.picture("fern.jpg", { look: "-1" });
  expect((await mediaDetail(mine.scope, id, TODAY)).alike.map(({ name }) => name)).toEqual(["pot small.jpg"]);
});

test("collections are named once, hold items, and let them go", async () => {
  const id = await mine.picture("pot.jpg");
  const made = await addCollection(mine.scope, " Window ");
  const again = await addCollection(mine.scope, "Window");
  expect(again).toEqual(made);
  expect(await addCollection(mine.scope, "  ")).toMatchObject({
    problem: expect.stringContaining("needs a name") as string,
  });
  const collection = "id" in made ? made.id : "";
  await collect(mine.scope, collection, [id, id, await theirs.picture("theirs.jpg")]);
  expect(await collectionsOf(mine.scope)).toMatchObject([{ name: "Window", count: 1 }]);
  expect(await found(`collection=${collection}`)).toEqual(["pot.jpg"]);
  await takeOut(mine.scope, collection, [id]);
  expect(await found(`collection=${collection}`)).toEqual([]);
  await expect(collect(theirs.scope, collection, [])).rejects.toMatchObject({ status: 404 });
});
