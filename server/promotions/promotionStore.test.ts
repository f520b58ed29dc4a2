import { type Edit } from "../../core/document/edits";
import { type Slot } from "../../core/document/template";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { changeMany } from "../catalogue/products";
import { removeOffer } from "../catalogue/offers";
import { removeMedia } from "../media/mediaChanges";
import { addTemplate } from "../templates/importPackage";
import { removeTemplate } from "../templates/workshop";
import { type TestTeam, testTeam } from "../testing/team";
import { loadFillDesk } from "./fillDesk";
import { type StoredPromotion, createPromotion, promotionBySlug, saveEdits } from "./promotionStore";

let team: TestTeam;
let other: TestTeam;
beforeAll(async () => {
  [team, other] = await Promise.all([testTeam(), testTeam()]);
  await team.brand("Quillfern");
});
afterAll(() => Promise.all([team.close(), other.close()]));

const made = async (product: string, template = "one-offer"): Promise<StoredPromotion> =>
  createPromotion(team.scope, { template, product, offer: null }, team.memberId);
const save = async (slug: string, edits: readonly unknown[], role: "owner" | "marketer" = "marketer") => {
  const { revision } = await promotionBySlug(team.scope, slug);
  const member = { id: team.memberId, name: "Tess", role };
  const result = await saveEdits(team.scope, slug, { base: revision, edits, member });
  if (result.kind !== "saved") throw new Error("Somebody else has saved.");
  return result;
};
const rename = (name: string): Edit => ({ kind: "rename", name });

describe("a thing that is used anywhere can't be removed, and it is said where it is used", () => {
  test("a product that stands in a price list", async () => {
    const [pot, listed, free] = [
      await team.product("Pot", 2400),
      await team.product("Seeds", 300),
      await team.product("Twine", 200),
    ];
    const { slug } = await made(pot, "this-week");
    const { document } = await promotionBySlug(team.scope, slug);
    const { facts } = await loadFillDesk(team.scope, slug, "Europe/London");
    const scene = Object.values(facts.templates)
      .flatMap(({ scenes }) => scenes)
      .find(({ slots }) => slots.some(({ kind }) => kind === "products"))!;
    const own = document.scenes.find(({ from }) => from.scene === scene.id)!;
    const slot = scene.slots.find(({ kind }) => kind === "products")!;
    await save(slug, [
      { kind: "fill", slot: `${own.id}.${slot.id}`, fill: { kind: "products", products: [listed] } },
      rename("Weekly list"),
    ]);
    const { done, problem } = await changeMany(team.scope, [listed, free], { kind: "remove" });
    expect(done).toBe("1 product removed.");
    expect(problem).toBe(
      "1 product stayed, because they are used in the promotion “Weekly list”. Choose another there first.",
    );
  });

  test("a product that an offer is for, and an offer that a promotion has", async () => {
    const pot = await team.product("Jug", 2400);
    const { id: offer } = await team.scope
      .insert("offer", {
        name: "Jug days",
        terms: JSON.stringify({ kind: "percent", percent: 10 }),
        scope: JSON.stringify({ on: "products", products: [pot] }),
        currency: "GBP",
        zone: "Europe/London",
        starts_at: new Date(0),
        ends_at: new Date(Date.now() + 86_400_000),
      })
      .returning("id")
      .executeTakeFirstOrThrow();
    expect((await changeMany(team.scope, [pot], { kind: "remove" })).problem).toContain("the offer “Jug days”");
    await createPromotion(team.scope, { template: "one-offer", product: pot, offer, name: "Jugs" }, team.memberId);
    expect(await removeOffer(team.scope, offer)).toContain("the promotion “Jugs”");
  });

  test("a picture that a template shows, also one that was removed while a promotion is on it", async () => {
    const picture = await team.picture("clay.jpg");
    const showing = {
      ...ONE_OFFER,
      slug: "clay",
      name: "Clay",
      scenes: ONE_OFFER.scenes.map((scene) => ({
        ...scene,
        slots: scene.slots.map((slot): Slot => (slot.kind === "media" ? { ...slot, media: picture } : slot)),
      })),
    };
    const { slug } = await addTemplate(team.scope, team.memberId, showing);
    const refused = await removeMedia(team.scope, [picture]);
    expect(refused).toMatchObject({ removed: [], done: "" });
    expect(refused.problem).toContain("“clay.jpg” is used in the template “Clay”");
    const promotion = await made(await team.product("Bowl", 900), slug);
    await removeTemplate(team.scope, slug);
    expect((await removeMedia(team.scope, [picture])).problem).toContain("the template “Clay”");
    await team.scope.remove("promotion").where("id", "=", promotion.id).execute();
    expect((await removeMedia(team.scope, [picture])).removed).toEqual([picture]);
  });
});

test("a promotion that names things which are gone opens, says so, and is saved; what is newly chosen must be there", async () => {
  const [pot, picture] = [await team.product("Vase", 2400), await team.picture("vase.jpg")];
  const { slug } = await made(pot);
  await save(slug, [{ kind: "fill", slot: "hook.picture", fill: { kind: "media", media: picture } }]);
  // As if it had been removed by hand, or long ago.
  await team.scope.update("media").set({ deleted_at: new Date() }).where("id", "=", picture).execute();
  await team.scope.remove("product").where("id", "=", pot).execute();

  const { gone } = await loadFillDesk(team.scope, slug, "Europe/London");
  // The first fills took the only picture that the team has into every slot.
  expect(gone).toContainEqual({ kind: "product", id: pot });
  expect(gone).toContainEqual({ kind: "media", id: picture, slot: "hook.picture" });
  expect(new Set(gone.map(({ id }) => id))).toEqual(new Set([pot, picture]));
  expect(await save(slug, [rename("Vases")])).toMatchObject({ kind: "saved" });
  expect((await promotionBySlug(team.scope, slug)).document.name).toBe("Vases");
  const theirs = await other.picture("theirs.jpg");
  const { refused } = await save(slug, [
    { kind: "fill", slot: "offer.picture", fill: { kind: "media", media: theirs } },
  ]);
  expect(refused).toEqual([{ index: 0, problem: "A chosen media item is not in your team's media." }]);
});

test("a change of structure carries nothing but a structure: no brand of another team comes in with it", async () => {
  const { slug, document } = await made(await team.product("Plate", 700));
  const foreign = await other.brand("Theirs");
  const { template, scenes, fills, changes, spare } = document;
  const structure = { template, scenes, fills, changes, spare, brand: foreign, name: "Taken over" };
  await save(slug, [{ kind: "restructure", structure }], "owner");
  expect((await promotionBySlug(team.scope, slug)).document).toMatchObject({
    brand: document.brand,
    name: document.name,
  });
});

describe("a lock can't be walked around by way of a scene that is taken out", () => {
  test.each<[string, (slug: string) => Promise<{ refused: readonly { problem: string }[] }>]>([
    [
      "one save after the other",
      async (slug) => {
        const { document } = await promotionBySlug(team.scope, slug);
        await save(slug, [{ kind: "scenes", scenes: document.scenes.filter(({ id }) => id !== "hook") }]);
        return save(slug, [{ kind: "fill", slot: "hook.headline", fill: { kind: "words", text: "Mine" } }]);
      },
    ],
    [
      "in one save",
      async (slug) => {
        const { document } = await promotionBySlug(team.scope, slug);
        return save(slug, [
          { kind: "fill", slot: "hook.headline", fill: { kind: "words", text: "Mine" } },
          { kind: "scenes", scenes: document.scenes.filter(({ id }) => id !== "hook") },
        ]);
      },
    ],
    [
      "in one save that puts it back",
      async (slug) => {
        const { document } = await promotionBySlug(team.scope, slug);
        return save(slug, [
          { kind: "scenes", scenes: document.scenes.filter(({ id }) => id !== "hook") },
          { kind: "fill", slot: "hook.headline", fill: { kind: "words", text: "Mine" } },
          { kind: "scenes", scenes: document.scenes },
        ]);
      },
    ],
  ])("%s", async (_, attempt) => {
    const locked = {
      ...ONE_OFFER,
      slug: "locked-words",
      name: "Locked words",
      scenes: ONE_OFFER.scenes.map((scene) => ({
        ...scene,
        slots: scene.slots.map((slot): Slot =>
          slot.kind === "words" ? { ...slot, allows: { ...slot.allows, content: false } } : slot,
        ),
      })),
    };
    const { slug: template } = await addTemplate(team.scope, team.memberId, locked);
    const { slug } = await made(await team.product("Cup", 500), template);
    const { refused } = await attempt(slug);
    expect(refused).toHaveLength(1);
    expect(refused[0]?.problem).toMatch(/is locked by the template|belongs to a scene that was taken out/);
    expect((await promotionBySlug(team.scope, slug)).document.fills).not.toHaveProperty(["hook.headline"]);
  });
});

test("of a batch, what can't be taken is named with its reason, what is no edit too; the others are saved", async () => {
  const { slug, revision } = await made(await team.product("Saucer", 300));
  const words = (slot: string, text: string) => ({ kind: "fill", slot, fill: { kind: "words", text } });
  const { document, refused, ...result } = await save(slug, [
    words("hook.headline", "First"),
    words("product.line", "x".repeat(161)),
    { kind: "explode" },
    null,
    words("nowhere.at-all", "Lost"),
    { kind: "choose", what: "product", id: "pot" },
    words("sign-off.call", "Last"),
  ]);
  expect(result.revision).toBe(revision + 1);
  expect(refused.map(({ index }) => index)).toEqual([1, 2, 3, 4, 5]);
  expect(refused[0]?.problem).toBe("Words have at most 160 characters.");
  expect(document.fills["hook.headline"]).toEqual({ kind: "words", text: "First" });
  expect(document.fills["sign-off.call"]).toEqual({ kind: "words", text: "Last" });
  expect(document.fills).not.toHaveProperty(["nowhere.at-all"]);
  expect((await promotionBySlug(team.scope, slug)).document).toEqual(document);
});

test("a batch of which nothing can be taken makes no revision", async () => {
  const { slug, revision, document } = await made(await team.product("Lid", 100));
  expect(await save(slug, [rename("  "), rename("x".repeat(81))])).toMatchObject({ revision, document });
});
