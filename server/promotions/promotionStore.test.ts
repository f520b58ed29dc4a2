import { mediaFill } from "../../core/document/shots";
import { type Edit } from "../../core/document/edit";
import { adjust, choose, editTo, fillSlot, moveScene, rename, takeOutScene } from "../../core/document/edits";
import { pointer } from "../../core/document/patch";
import { addSound } from "../../core/document/soundEdits";
import { repeatScene } from "../../core/document/restructure";
import { millis } from "../../core/units";
import { scenesInOrder } from "../../core/document/sceneList";
import { type Slot, type SlotKey } from "../../core/document/sceneTemplate";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { changeMany } from "../catalogue/products";
import { removeOffer } from "../catalogue/offers";
import { removeMedia } from "../media/mediaChanges";
import { addTemplate } from "../templates/importPackage";
import { removeTemplate } from "../templates/workshop";
import { type TestTeam, testTeam } from "../testing/team";
import { loadFillDesk } from "./fillDesk";
import { type StoredPromotion, copyPromotion, createPromotion, promotionBySlug, saveEdits } from "./promotionStore";

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
  return saveEdits(team.scope, slug, { base: revision, edits, member });
};
const words = (slot: SlotKey, text: string): Edit => fillSlot(slot, { kind: "words", text });
const documentOf = async (slug: string) => (await promotionBySlug(team.scope, slug)).document;

describe("a copy", () => {
  test("is the same but for its name, goes its own way, and has another name each time", async () => {
    const first = await made(await team.product("Vase", 1900));
    const copy = await copyPromotion(team.scope, first.slug, team.memberId);
    const { name, ...rest } = copy.document;
    expect({ ...rest, name: first.document.name }).toEqual(first.document);
    expect(name).toBe(`${first.document.name}, copy`);
    await save(copy.slug, [words("hook.headline", "Only in the copy")]);
    expect(await documentOf(first.slug)).toEqual(first.document);
    const again = await copyPromotion(team.scope, first.slug, team.memberId);
    expect(again.document.name).toBe(`${first.document.name}, copy 2`);
    expect(new Set([first.slug, copy.slug, again.slug]).size).toBe(3);
  });

  test("asked for by ten at the same moment is made ten times, each under an address of its own", async () => {
    const { slug } = await made(await team.product("Wanted by many", 1900));
    const copies = await Promise.all(Array.from({ length: 10 }, () => copyPromotion(team.scope, slug, team.memberId)));
    expect(new Set(copies.map((copy) => copy.slug)).size).toBe(10);
  });

  test("of a promotion with the longest name is named within the limit; another team's can't be copied", async () => {
    const { slug } = await made(await team.product("Bowl", 900));
    await save(slug, [rename("x".repeat(80))]);
    const copy = await copyPromotion(team.scope, slug, team.memberId);
    expect(copy.document.name).toBe(`${"x".repeat(74)}, copy`);
    await expect(copyPromotion(other.scope, slug, null)).rejects.toMatchObject({ status: 404 });
  });
});

describe("a thing that is used anywhere can't be removed, and it is said where it is used", () => {
  test("a product that stands in a price list", async () => {
    const [pot, listed, free] = [
      await team.product("Pot", 2400),
      await team.product("Seeds", 300),
      await team.product("Twine", 200),
    ];
    const { slug } = await made(pot, "this-week");
    const { document } = await promotionBySlug(team.scope, slug);
    const { facts } = await loadFillDesk(team.scope, slug, { locale: "en-GB", zone: "Europe/London" });
    const scene = Object.values(facts.templates)
      .flatMap(({ scenes }) => scenes)
      .find(({ slots }) => slots.some(({ kind }) => kind === "products"))!;
    const own = scenesInOrder(document).find(({ from }) => from.scene === scene.id)!;
    const slot = scene.slots.find(({ kind }) => kind === "products")!;
    await save(slug, [
      fillSlot(`${own.id}.${slot.id}`, { kind: "products", products: [listed] }),
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
  await save(slug, [fillSlot("hook.picture", mediaFill(picture))]);
  // As if it had been removed by hand, or long ago.
  await team.scope.update("media").set({ deleted_at: new Date() }).where("id", "=", picture).execute();
  await team.scope.remove("product").where("id", "=", pot).execute();

  const { gone } = await loadFillDesk(team.scope, slug, { locale: "en-GB", zone: "Europe/London" });
  // The first fills took the only picture that the team has into every slot.
  expect(gone).toContainEqual({ kind: "product", id: pot });
  expect(gone).toContainEqual({ kind: "media", id: picture, slot: "hook.picture" });
  expect(new Set(gone.map(({ id }) => id))).toEqual(new Set([pot, picture]));
  expect(await save(slug, [rename("Vases")])).toMatchObject({ refused: [] });
  expect((await promotionBySlug(team.scope, slug)).document.name).toBe("Vases");
  const theirs = await other.picture("theirs.jpg");
  const { refused } = await save(slug, [fillSlot("offer.picture", mediaFill(theirs))]);
  expect(refused).toEqual([{ index: 0, problem: "A chosen media item is not in your team's media." }]);
});

test("a product's name of eighty characters that ends in an emoji names a promotion", async () => {
  const { document } = await made(await team.product(`${"P".repeat(79)}🪴`, 900));
  expect(Array.from(document.name)).toHaveLength(80);
  expect(document.name.endsWith("🪴")).toBe(true);
});

test("a sound is not shown and a picture not heard, though either is in use elsewhere; what was there stays", async () => {
  const { slug } = await made(await team.product("Jug", 1800));
  const sound = await team.picture("tune.wav", { kind: "sound", width: null, height: null });
  const picture = await team.picture("jug.jpg");
  const heard = addSound(await documentOf(slug), { lane: "music", media: sound, at: 0 });
  await save(slug, [fillSlot("hook.picture", mediaFill(picture)), ...(heard ? [heard.edit] : [])]);
  const before = await documentOf(slug);
  const pictureHeard = addSound(before, { lane: "effects", media: picture, at: 0 });
  const { refused } = await save(slug, [
    fillSlot("hook.picture", mediaFill(sound)),
    ...(pictureHeard ? [pictureHeard.edit] : []),
  ]);
  expect(refused).toEqual([
    { index: 0, problem: "“tune.wav” is a sound: a picture or a clip is shown here. What was there stays." },
    { index: 1, problem: "“jug.jpg” is a picture: a sound, or a clip with one, is heard there. What was there stays." },
  ]);
  expect(await documentOf(slug)).toEqual(before);
});

test("a brand of another team can't be set, and with it goes the whole edit", async () => {
  const { slug, document } = await made(await team.product("Plate", 700));
  const foreign = await other.brand("Theirs");
  const sly: Edit = {
    label: "All at once",
    patch: [...rename("Taken over").patch, { op: "replace", path: pointer("brand"), value: foreign }],
  };
  expect((await save(slug, [sly], "owner")).refused).toEqual([
    { index: 0, problem: "The chosen brand is not your team's." },
  ]);
  expect(await documentOf(slug)).toEqual(document);
});

describe("a lock can't be walked around by way of a scene that is taken out", () => {
  test.each<[string, (slug: string) => Promise<{ refused: readonly { problem: string }[] }>]>([
    [
      "one save after the other",
      async (slug) => {
        await save(slug, [takeOutScene("hook")]);
        return save(slug, [words("hook.headline", "Mine")]);
      },
    ],
    ["in one save", (slug) => save(slug, [words("hook.headline", "Mine"), takeOutScene("hook")])],
    [
      "in one save that puts it back",
      async (slug) => {
        const { hook } = (await documentOf(slug)).scenes;
        const putBack: Edit = { label: "Put back", patch: [{ op: "add", path: "/scenes/hook", value: hook }] };
        return save(slug, [takeOutScene("hook"), words("hook.headline", "Mine"), putBack]);
      },
    ],
    [
      "in one edit",
      async (slug) => {
        const { hook } = (await documentOf(slug)).scenes;
        const patch: Edit["patch"] = [
          ...takeOutScene("hook").patch,
          ...words("hook.headline", "Mine").patch,
          { op: "add", path: "/scenes/hook", value: hook },
        ];
        return save(slug, [{ label: "Sly", patch }]);
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
  const { document, refused, ...result } = await save(slug, [
    words("hook.headline", "First"),
    words("product.line", "x".repeat(161)),
    { label: "Explode", patch: [{ op: "explode", path: "/name" }] },
    null,
    words("nowhere.at-all", "Lost"),
    choose("product", "pot"),
    words("sign-off.call", "Last"),
  ]);
  expect(result.revision).toBe(revision + 1);
  expect(refused.map(({ index }) => index)).toEqual([1, 2, 3, 4, 5]);
  expect(refused[0]?.problem).toBe("Words have at most 160 characters.");
  expect(document?.fills["hook.headline"]).toEqual({ kind: "words", text: "First" });
  expect(document?.fills["sign-off.call"]).toEqual({ kind: "words", text: "Last" });
  expect(document?.fills).not.toHaveProperty(["nowhere.at-all"]);
  expect(await documentOf(slug)).toEqual(document);
});

test("a batch of which nothing can be taken makes no revision", async () => {
  const { slug, revision, document } = await made(await team.product("Lid", 100));
  expect(await save(slug, [rename("  "), rename("x".repeat(81))])).toMatchObject({ revision, document });
});

describe("people who change a promotion at once", () => {
  const at = (base: number, slug: string, edits: readonly Edit[], name: string) =>
    saveEdits(team.scope, slug, { base, edits, member: { id: team.memberId, name, role: "marketer" } });

  test("different things: both keep theirs, and the later is given what the earlier did", async () => {
    const { slug, revision } = await made(await team.product("Dish", 400));
    expect(await at(revision, slug, [words("hook.headline", "Ada's")], "Ada")).toEqual({
      revision: revision + 1,
      document: null,
      refused: [],
    });
    const later = await at(revision, slug, [words("product.line", "Ben's"), rename("Ben's")], "Ben");
    expect(later).toMatchObject({ revision: revision + 2, refused: [], document: { name: "Ben's" } });
    expect(later.document?.fills).toMatchObject({
      "hook.headline": { kind: "words", text: "Ada's" },
      "product.line": { kind: "words", text: "Ben's" },
    });
    expect(await documentOf(slug)).toEqual(later.document);
  });

  test("the same thing: the later stands", async () => {
    const { slug, revision } = await made(await team.product("Mug", 400));
    await at(revision, slug, [words("hook.headline", "Ada's")], "Ada");
    await at(revision, slug, [words("hook.headline", "Ben's")], "Ben");
    expect((await documentOf(slug)).fills["hook.headline"]).toEqual({ kind: "words", text: "Ben's" });
  });

  test("scenes moved, repeated and taken out while another types in them: no words come back or go", async () => {
    const { slug, revision, document } = await made(await team.product("Tray", 400));
    const repeated = editTo(document, repeatScene(document, "hook"), "Repeat");
    await at(revision, slug, [words("hook.headline", "Typed meanwhile")], "Ben");
    await at(revision, slug, [repeated, moveScene(document, "sign-off", 0)], "Ada");
    await at(revision, slug, [words("hook.headline", "Typed on"), takeOutScene("offer")], "Ben");
    const after = await documentOf(slug);
    expect(after.fills["hook.headline"]).toEqual({ kind: "words", text: "Typed on" });
    expect(scenesInOrder(after).map(({ id }) => id)).toEqual(["sign-off", "hook", "hook-2", "product"]);
  });

  test("forty saves at once: every one is there, each in a revision of its own", async () => {
    const { slug, revision } = await made(await team.product("Bowl of forty", 400));
    const { scenes } = await documentOf(slug);
    const slots = Object.keys(scenes).flatMap((scene) =>
      Array.from({ length: 10 }, (_, index) => ({ scene, length: 1000 + 100 * index })),
    );
    const results = await Promise.all(
      slots.map(({ scene, length }) =>
        at(revision, slug, [adjust("length", millis(length), { target: { scene } })], "Ada"),
      ),
    );
    expect(new Set(results.map((result) => result.revision)).size).toBe(slots.length);
    const logged = await team.scope.select("promotion_edit").select("revision").execute();
    const revisions = new Set(logged.map((row) => row.revision));
    for (const result of results) expect(revisions.has(result.revision)).toBe(true);
    const kept = await team.scope
      .select("promotion_revision")
      .select(["revision", "name"])
      .where("promotion_id", "=", (await promotionBySlug(team.scope, slug)).id)
      .execute();
    expect(kept).toEqual([{ revision: 1, name: null }]);
  });
});
