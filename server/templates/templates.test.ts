import { mediaFill } from "../../core/document/shots";
import { createHash, randomUUID } from "node:crypto";
import { mkdtemp, writeFile } from "node:fs/promises";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { buffer } from "node:stream/consumers";
import { strToU8, unzipSync, zipSync } from "fflate";
import sharp from "sharp";
import { type Edit } from "../../core/document/edit";
import { fillSlot, inverseOf, rename, takeOutScene } from "../../core/document/edits";
import { FIELDS } from "../../core/document/fields";
import { type Change } from "../../core/document/patch";
import { type TemplateDocument, templateDocument } from "../../core/document/templateDocument";
import { type Slot } from "../../core/document/sceneTemplate";
import { type Template } from "../../core/document/template";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { by, picture, scene } from "../../core/templates/build";
import { defined } from "../../core/testing/defined";
import { SETTINGS } from "../../core/testing/settings";
import { createPromotion, promotionBySlug, saveEdits } from "../promotions/promotionStore";
import { originalKey } from "../storage/keys";
import { store } from "../storage/store";
import { type TestTeam, testTeam } from "../testing/team";
import { exportPackage } from "./exportPackage";
import { setFavourite } from "./favourites";
import { loadGallery, readGalleryQuery } from "./gallery";
import { addTemplate, importPackage } from "./importPackage";
import { newestTemplate, offeredTemplates, templatesByRef } from "./templateStore";
import {
  draftBySlug,
  loadWorkshop,
  publishDraft,
  removeTemplate,
  saveDraftEdits,
  startTemplate,
  unpublished,
} from "./workshop";

let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
  await team.brand("Quillfern");
});
afterAll(() => team.close());

const streamOf = (bytes: Uint8Array): ReadableStream => new Blob([new Uint8Array(bytes)]).stream() as ReadableStream;
const exported = async (slug: string): Promise<Uint8Array> =>
  new Uint8Array(await buffer((await exportPackage(team.scope, team.memberId, slug)).stream));
const brought = (files: Record<string, Uint8Array>): Promise<{ slug: string; name: string }> =>
  importPackage(team.scope, team.memberId, "brought.zip", streamOf(zipSync(files)));

/** A template whose hook shows a picture of the team until another is chosen. */
async function withPicture(): Promise<Template> {
  const bytes = await sharp({ create: { width: 300, height: 200, channels: 3, background: "#c9603a" } })
    .png()
    .toBuffer();
  const sha256 = createHash("sha256").update(bytes).digest("hex");
  const file = join(await mkdtemp(join(tmpdir(), "stencilcraft-test-")), "clay.png");
  await writeFile(file, bytes);
  await store().keep(originalKey(sha256), file);
  const id = await team.picture("clay.png", {
    sha256,
    source: "drawn here",
    licence: "own work",
    holder: "Testers",
    mime: "image/png",
  });
  const slots = (of: readonly Slot[]): Slot[] =>
    of.map((slot) => (slot.kind === "media" ? { ...slot, media: id } : slot));
  return {
    ...ONE_OFFER,
    slug: "with-a-picture",
    name: "With a picture",
    scenes: ONE_OFFER.scenes.map((scene) => (scene.id === "hook" ? { ...scene, slots: slots(scene.slots) } : scene)),
  };
}

test("a package carries the template, its media and their rights, and comes back in as the same template", async () => {
  const { slug } = await addTemplate(team.scope, team.memberId, await withPicture());
  const files = unzipSync(await exported(slug));
  expect(Object.keys(files).sort()).toEqual(["media/1-clay.png", "template.json"]);
  const about = JSON.parse(Buffer.from(files["template.json"] ?? []).toString("utf8")) as {
    media: { rights: object }[];
  };
  expect(about.media[0]?.rights).toEqual({
    source: "drawn here",
    licence: "own work",
    holder: "Testers",
    from: null,
    to: null,
  });

  const back = await brought(files);
  expect(back).toEqual({ slug: "with-a-picture-2", name: "With a picture" });
  const [first, second] = await Promise.all([newestTemplate(team.scope, slug), newestTemplate(team.scope, back.slug)]);
  // The very bytes were here, so the picture is the same item.
  expect(second?.template).toEqual({ ...first?.template, slug: back.slug });
  expect(second?.own).toBe(true);
});

test("a shipped template goes out and comes in under an address of its own", async () => {
  const back = await brought(unzipSync(await exported("this-week")));
  expect(back.slug).toBe("this-week-2");
  const offered = await offeredTemplates(team.scope);
  expect(offered.filter(({ template }) => template.name === "This week").map(({ own }) => own)).toEqual([true, false]);
});

const about = async (change: (json: Record<string, unknown>) => void): Promise<Record<string, Uint8Array>> => {
  const files = unzipSync(await exported("one-offer"));
  const json = JSON.parse(Buffer.from(files["template.json"] ?? []).toString("utf8")) as Record<string, unknown>;
  change(json);
  return { ...files, "template.json": strToU8(JSON.stringify(json)) };
};
const media = (file: string): object => ({
  file,
  name: "x.png",
  kind: "picture",
  sha256: "0".repeat(64),
  rights: { source: "", licence: "", holder: "", from: null, to: null },
});

describe("hostile packages are refused in words, and leave nothing behind", () => {
  const cases: readonly (readonly [
    what: string,
    files: () => Promise<Record<string, Uint8Array>> | Record<string, Uint8Array>,
    words: string,
  ])[] = [
    ["no template.json", () => ({ "a.txt": strToU8("hello") }), "holds no template.json"],
    ["broken JSON", () => ({ "template.json": strToU8("{") }), "is not JSON"],
    ["another format", () => about((json) => (json["format"] = "other")), "This is not a template package."],
    [
      "a broken field",
      () =>
        about((json) =>
          Object.assign(defined((json["template"] as TemplateDocument).scenes["hook"]), { ground: "mauve" }),
        ),
      "/scenes/hook/ground",
    ],
    [
      "media that is not there",
      () => about((json) => (json["media"] = [media("media/gone.png")])),
      "names media/gone.png, but does not hold it",
    ],
    [
      "media that is something else",
      async () => ({
        ...(await about((json) => (json["media"] = [media("media/x.png")]))),
        "media/x.png": strToU8("not the same"),
      }),
      "its SHA-256 differs",
    ],
    [
      "media outside its folder",
      () => about((json) => (json["media"] = [media("../../etc/passwd")])),
      "Media lies in the folder",
    ],
    ["a name that leads out", () => ({ "../template.json": strToU8("{}") }), "lead out of it"],
    [
      "too many files",
      () => Object.fromEntries(Array.from({ length: 90 }, (_, index) => [`media/${index}`, strToU8("x")])),
      "more than 80 files",
    ],
    ["a bomb", () => ({ "media/zeros": new Uint8Array(30_000_000) }), "must be a trap"],
  ];
  test.each(cases)("%s", async (_, files, words) => {
    const before = (await offeredTemplates(team.scope)).length;
    await expect(brought(await files())).rejects.toThrow(words);
    expect((await offeredTemplates(team.scope)).length).toBe(before);
  });

  test("a file that is no zip, and one that is cut short", async () => {
    await expect(importPackage(team.scope, team.memberId, "a.zip", streamOf(strToU8("hello")))).rejects.toThrow(
      "is not a zip",
    );
    const whole = await exported("one-offer");
    await expect(
      importPackage(team.scope, team.memberId, "a.zip", streamOf(whole.slice(0, whole.length / 2))),
    ).rejects.toThrow("is not a zip, or it is damaged");
  });
});

/** What a marketer might try, against a template in which everything is locked. */
const TRIES: readonly { readonly what: string; readonly edit: Edit; readonly words: string }[] = [
  {
    what: "words",
    edit: fillSlot("hook.headline", { kind: "words", text: "New" }),
    words: "What is in “Headline” is locked",
  },
  ...SETTINGS.map(({ what, id, edit }) => ({ what, edit, words: `${FIELDS[id].named} ` })),
];

describe("the server keeps what a template locks", () => {
  let slug = "";
  beforeAll(async () => {
    const none = { content: false, color: false, position: false, remove: false };
    const locked: Template = {
      ...ONE_OFFER,
      slug: "all-locked",
      scenes: ONE_OFFER.scenes.map((scene) => ({
        ...scene,
        allows: { arrangement: false, color: false, timing: false, remove: false },
        slots: scene.slots.map((slot): Slot => ({ ...slot, allows: none })),
      })),
    };
    const { slug: template } = await addTemplate(team.scope, team.memberId, locked);
    const product = await team.product("Pot", 2400);
    slug = (await createPromotion(team.scope, { template, product, offer: null }, team.memberId)).slug;
  });

  test.each(TRIES)(
    "$what: refused to a marketer in words, nothing saved, also by way of taking the scene out; taken from a designer",
    async ({ edit, words }) => {
      const { revision, document } = await promotionBySlug(team.scope, slug);
      const marketer = { id: team.memberId, name: "Tess", role: "marketer" } as const;
      const { refused } = await saveEdits(team.scope, slug, { base: revision, edits: [edit], member: marketer });
      expect(refused).toEqual([{ index: 0, problem: expect.stringContaining(words) as unknown }]);
      expect(refused[0]?.problem).toContain("is locked by the template");
      const around: Edit = {
        label: "Around",
        patch: [
          ...takeOutScene("hook").patch,
          ...edit.patch,
          { op: "add", path: "/scenes/hook", value: document.scenes["hook"] },
        ],
      };
      const again = await saveEdits(team.scope, slug, { base: revision, edits: [around], member: marketer });
      expect(again.refused).toHaveLength(1);
      expect((await promotionBySlug(team.scope, slug)).document).toEqual(document);
      // And back again, so that the next try starts from the template's own.
      const designer = { id: team.memberId, name: "Tess", role: "designer" } as const;
      const edits = [edit, inverseOf(document, edit)];
      expect(await saveEdits(team.scope, slug, { base: revision, edits, member: designer })).toMatchObject({
        refused: [],
      });
    },
  );

  test("a picture, and a scene", async () => {
    const { revision, document } = await promotionBySlug(team.scope, slug);
    const picture = await team.picture("other.png");
    const marketer = { id: team.memberId, name: "Tess", role: "marketer" } as const;
    const edits: Edit[] = [
      fillSlot("hook.picture", mediaFill(picture)),
      takeOutScene("sign-off"),
      rename("Still mine to name"),
    ];
    const result = await saveEdits(team.scope, slug, { base: revision, edits, member: marketer });
    expect(result.refused.map(({ index, problem }) => [index, problem.replace(/ is locked.*/, "")])).toEqual([
      [0, "What is in “Picture”"],
      [1, "Taking out scene “Sign-off”"],
    ]);
    expect(result.document).toEqual({ ...document, name: "Still mine to name" });
  });

  test("a template the team does not have is named", async () => {
    const { revision } = await promotionBySlug(team.scope, slug);
    const scene = { order: "Z0", from: { slug: "nobody-has-this", edition: 1, scene: "hook" } };
    const designer = { id: team.memberId, name: "Tess", role: "designer" } as const;
    const edits: Edit[] = [{ label: "Add", patch: [{ op: "add", path: "/scenes/x", value: scene }] }];
    const { refused } = await saveEdits(team.scope, slug, { base: revision, edits, member: designer });
    expect(refused[0]?.problem).toContain("There is no template “nobody-has-this”");
  });
});

test("another team's templates are not there", async () => {
  const other = await testTeam();
  try {
    const { slug } = await addTemplate(other.scope, other.memberId, { ...ONE_OFFER, slug: "theirs-alone" });
    expect(await newestTemplate(team.scope, slug)).toBeNull();
    expect(await templatesByRef(team.scope, [{ slug, edition: 1 }])).toEqual({});
  } finally {
    await other.close();
  }
});

test("the gallery answers by purpose, length and words, and knows favourites", async () => {
  const found = async (query: string) =>
    (await loadGallery(team.scope, team.memberId, readGalleryQuery(new URLSearchParams(query)))).cards.map(
      ({ ref }) => ref.slug,
    );
  expect(await found("purpose=quote")).toEqual(["in-their-words"]);
  expect(await found("length=6")).toEqual(["price-on-a-card", "back-on-the-shelf"]);
  expect(await found("words=invitation+code")).toEqual(["you-are-invited"]);
  expect(await found("shelf=favourites")).toEqual([]);
  await setFavourite(team.scope, team.memberId, "last-days", true);
  await setFavourite(team.scope, team.memberId, "last-days", true);
  expect(await found("shelf=favourites")).toEqual(["last-days"]);
  await setFavourite(team.scope, team.memberId, "last-days", false);
  expect(await found("shelf=favourites")).toEqual([]);
  expect(await found("purpose=nonsense&length=7")).toHaveLength((await offeredTemplates(team.scope)).length);
});

test("the gallery shows templates with the product asked for, however far down the catalogue it stands", async () => {
  const other = await testTeam();
  try {
    await other.brand("Ash");
    const rows = Array.from({ length: 220 }, (_, at) => ({
      ...{ name: `Pot ${String(at).padStart(3, "0")}`, line: "", price_minor: 400, currency: "GBP" },
    }));
    await other.scope.insert("product", rows).execute();
    const last = await other.product("Zinnia seed mix", 250);
    const shown = async (query: string) =>
      loadGallery(other.scope, other.memberId, readGalleryQuery(new URLSearchParams(query)));
    const { product, products, facts } = await shown(`product=${last}`);
    expect([product, facts?.product?.name]).toEqual([last, "Zinnia seed mix"]);
    expect(products.at(-1)).toEqual({ id: last, name: "Zinnia seed mix" });
    // Without asking: the first by name, then what the newest promotion is about.
    expect((await shown("")).facts?.product?.name).toBe("Pot 000");
    await createPromotion(other.scope, { template: "opening-hours", product: last, offer: null }, other.memberId);
    expect((await shown("")).product).toBe(last);
  } finally {
    await other.close();
  }
});

/** A slot as a draft has it. */
const A_PICTURE = defined(
  templateDocument({
    ...ONE_OFFER,
    scenes: [scene("one", "One", { length: 3000, arrangement: by("split"), slots: [picture("picture")] })],
  }).scenes["one"]?.slots["picture"],
);

describe("the workshop", () => {
  const designer = (): string => team.memberId;

  test("one without a name, or with a very long one, gets one; one that was left untouched is gone on with", async () => {
    const first = await startTemplate(team.scope, "  ", null);
    expect((await draftBySlug(team.scope, first)).document.name).toBe("New template");
    const long = await startTemplate(team.scope, "🪴".repeat(5000), null);
    expect((await draftBySlug(team.scope, long)).document.name).toBe("🪴".repeat(60));
    // A colleague may be about to work on it; later it was left.
    expect(await startTemplate(team.scope, "", null)).not.toBe(first);
    await team.scope
      .update("template")
      .set({ updated_at: new Date(0) })
      .where("slug", "=", first)
      .execute();
    expect(await startTemplate(team.scope, "", null)).toBe(first);
    await team.scope.remove("template").execute();
  });

  test("a template begins as a draft that nobody can fill, is published in editions, and promotions stay on theirs", async () => {
    const slug = await startTemplate(team.scope, "Bench notes", null);
    expect(slug).toBe("bench-notes");
    expect(await newestTemplate(team.scope, slug)).toBeNull();
    expect(await unpublished(team.scope)).toEqual([{ slug, name: "Bench notes" }]);
    expect(await publishDraft(team.scope, designer(), slug)).toBe(1);
    const product = await team.product("Trowel", 900);
    const made = await createPromotion(team.scope, { template: slug, product, offer: null }, designer());

    const { revision } = await draftBySlug(team.scope, slug);
    const longer: Edit = { label: "Length", patch: [{ op: "replace", path: "/scenes/scene-1/length", value: 5000 }] };
    const saved = await saveDraftEdits(team.scope, slug, { base: revision, edits: [longer], by: "Dora" });
    expect(saved).toEqual({ revision: revision + 1, document: null, refused: [] });
    expect(await publishDraft(team.scope, designer(), slug)).toBe(2);
    // Nothing has changed since, so there is nothing to publish.
    expect(await publishDraft(team.scope, designer(), slug)).toBe(2);
    expect((await newestTemplate(team.scope, slug))?.template.scenes[0]?.length).toBe(5000);
    expect((await promotionBySlug(team.scope, made.slug)).document.template).toEqual({ slug, edition: 1 });
    const first = await templatesByRef(team.scope, [{ slug, edition: 1 }]);
    expect(Object.values(first)[0]?.scenes[0]?.length).toBe(3000);

    await removeTemplate(team.scope, slug);
    expect(await newestTemplate(team.scope, slug)).toBeNull();
    expect(Object.keys(await templatesByRef(team.scope, [{ slug, edition: 1 }]))).toEqual([`${slug}@1`]);
    await expect(loadWorkshop(team.scope, designer(), slug)).rejects.toMatchObject({ status: 404 });
  });

  test("two designers who change two slots of one scene both keep theirs; of two who change one label the later wins", async () => {
    const slug = await startTemplate(team.scope, "Shared", "one-offer");
    const { revision, document } = await draftBySlug(team.scope, slug);
    const label = (id: string, value: string): Edit => ({
      label: "Label",
      patch: [{ op: "replace", path: `/scenes/hook/slots/${id}/label`, value }],
    });
    const save = (by: string, edits: Edit[]) => saveDraftEdits(team.scope, slug, { base: revision, edits, by });
    const results = await Promise.all([
      save("Dora", [label("headline", "Big words"), label("picture", "Dora's")]),
      save("Dov", [label("picture", "Dov's")]),
    ]);
    expect(results.map(({ refused }) => refused)).toEqual([[], []]);
    const after = await draftBySlug(team.scope, slug);
    const { slots } = defined(after.document.scenes["hook"]);
    expect(slots["headline"]?.label).toBe("Big words");
    expect(after.revision).toBe(revision + 2);
    const later = defined(results.find((one) => one.revision === after.revision));
    expect(later.document).toEqual(after.document);
    expect(["Dora's", "Dov's"]).toContain(slots["picture"]?.label);
    expect(document.scenes["hook"]?.slots["headline"]?.label).toBe("Headline");
  });

  test("a shipped template is copied, never changed; a broken draft is refused with its field", async () => {
    const slug = await startTemplate(team.scope, "This week", "this-week");
    expect(slug).not.toBe("this-week");
    const { revision, document } = await draftBySlug(team.scope, slug);
    const gone = Object.keys(document.scenes).map((id): Change => ({ op: "remove", path: `/scenes/${id}` }));
    const [first = ""] = Object.keys(document.scenes);
    const edits: Edit[] = [
      { label: "Empty", patch: gone },
      { label: "Ground", patch: [{ op: "replace", path: `/scenes/${first}/ground`, value: "mauve" }] },
      { label: "Address", patch: [{ op: "replace", path: "/slug", value: "this-week" }] },
      { label: "About", patch: [{ op: "replace", path: "/about", value: "Kept" }] },
    ];
    const { refused, document: after } = await saveDraftEdits(team.scope, slug, { base: revision, edits, by: "Dora" });
    expect(refused.map(({ index, problem }) => [index, problem])).toEqual([
      [0, "A template needs at least one scene."],
      [1, expect.stringContaining("must be one of")],
      [2, "The address of a template can't be changed."],
    ]);
    expect(after).toEqual({ ...document, about: "Kept" });
    const strange: Edit = {
      label: "Picture",
      patch: [{ op: "add", path: `/scenes/${first}/slots/picture`, value: { ...A_PICTURE, media: randomUUID() } }],
    };
    const again = await saveDraftEdits(team.scope, slug, { base: revision, edits: [strange], by: "Dora" });
    expect(again.refused[0]?.problem).toContain("not in your team's media");
    await expect(loadWorkshop(team.scope, designer(), "this-week")).rejects.toMatchObject({ status: 404 });
    await expect(startTemplate(team.scope, "X y", "nobody-has-this")).rejects.toMatchObject({ status: 404 });
  });
});
