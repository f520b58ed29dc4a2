import { Ajv2020 } from "ajv/dist/2020";
import { ValidationError } from "yup";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_TEMPLATES } from "../templates/shipped";
import { needsInWords, needsOf, templateLength } from "./needs";
import { PURPOSES } from "./template";
import { jsonPointer, readTemplate } from "./templateSchema";
import { readPromotion } from "./promotion";
import { templateJsonSchema } from "./templateJsonSchema";

/** The document as plain JSON, with one thing in it changed. */
function broken(change: (document: Plain) => void): unknown {
  const document = JSON.parse(JSON.stringify(ONE_OFFER)) as Plain;
  change(document);
  return document;
}
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- tests break documents in ways that types would not let them
type Plain = any;

const BROKEN: readonly (readonly [what: string, change: (document: Plain) => void, pointer: string])[] = [
  ["a version to come", (d) => (d.version = 9), "/version"],
  ["no slug", (d) => delete d.slug, "/slug"],
  ["a slug with blanks", (d) => (d.slug = "One Offer"), "/slug"],
  ["a blank name", (d) => (d.name = " "), "/name"],
  ["a name that is a number", (d) => (d.name = 7), "/name"],
  ["a purpose that there is not", (d) => (d.purpose = "world peace"), "/purpose"],
  ["an about of 300 letters", (d) => (d.about = "x".repeat(300)), "/about"],
  ["no scenes", (d) => (d.scenes = []), "/scenes"],
  ["scenes that are no list", (d) => (d.scenes = {}), "/scenes"],
  [
    "thirteen scenes",
    (d) => (d.scenes = Array.from({ length: 13 }, (_, index) => ({ ...d.scenes[0], id: `s${index}` }))),
    "/scenes",
  ],
  ["two scenes of one id", (d) => (d.scenes[1].id = d.scenes[0].id), "/scenes"],
  ["a scene without a name", (d) => delete d.scenes[0].name, "/scenes/0/name"],
  [
    "an arrangement that there is not",
    (d) => (d.scenes[0].arrangement = { name: "pinwheel" }),
    "/scenes/0/arrangement",
  ],
  ["an arrangement without its parameter", (d) => delete d.scenes[0].arrangement.words, "/scenes/0/arrangement/words"],
  ["a share out of range", (d) => (d.scenes[1].arrangement.share = 0.9), "/scenes/1/arrangement/share"],
  ["a parameter of another arrangement", (d) => (d.scenes[0].arrangement.gap = 3), "/scenes/0/arrangement"],
  ["a length in parts of a millisecond", (d) => (d.scenes[2].length = 4500.5), "/scenes/2/length"],
  ["a scene of no length", (d) => (d.scenes[2].length = 0), "/scenes/2/length"],
  ["a transition longer than half its scene", (d) => (d.scenes[2].overlap = 2600), "/scenes/2"],
  ["a ground that is no role", (d) => (d.scenes[0].ground = "mauve"), "/scenes/0/ground"],
  ["a logo that is neither yes nor no", (d) => (d.scenes[0].logo = "yes"), "/scenes/0/logo"],
  ["a slot of no kind", (d) => delete d.scenes[0].slots[0].kind, "/scenes/0/slots/0"],
  ["a slot of a kind that there is not", (d) => (d.scenes[0].slots[0].kind = "song"), "/scenes/0/slots/0"],
  ["two slots of one id", (d) => (d.scenes[0].slots[1].id = d.scenes[0].slots[0].id), "/scenes/0/slots"],
  ["a role that there is not", (d) => (d.scenes[0].slots[0].role = "shout"), "/scenes/0/slots/0/role"],
  ["a budget of none", (d) => (d.scenes[0].slots[0].budget = 0), "/scenes/0/slots/0/budget"],
  ["a binding that there is not", (d) => (d.scenes[1].slots[0].binding = "moon.phase"), "/scenes/1/slots/0/binding"],
  ["a picture that accepts nothing", (d) => (d.scenes[0].slots[1].accepts = []), "/scenes/0/slots/1/accepts"],
  [
    "a picture from somewhere else",
    (d) => (d.scenes[0].slots[1].from = "https://example.com/a.jpg"),
    "/scenes/0/slots/1/from",
  ],
  ["a picture without its needs", (d) => delete d.scenes[0].slots[1].needs, "/scenes/0/slots/1/needs"],
  [
    "a slot that does not say what may be changed",
    (d) => delete d.scenes[0].slots[0].allows.color,
    "/scenes/0/slots/0/allows/color",
  ],
  ["a scene that does not say what may be changed", (d) => delete d.scenes[0].allows, "/scenes/0/allows"],
  [
    "a place of no size",
    (d) => (d.scenes[0].places = { square: { headline: { x: 0, y: 0, width: 1, height: 90 } } }),
    "/scenes/0/places/square/headline/width",
  ],
  ["a place in a format that there is not", (d) => (d.scenes[0].places = { round: {} }), "/scenes/0/places"],
  ["a motion that there is not", (d) => (d.style.motion = "explode"), "/style/motion"],
  ["a loudness that would clip", (d) => (d.sound.loudness = 3), "/sound/loudness"],
  ["something nobody knows", (d) => (d.surprise = true), ""],
];

test.each(BROKEN)("%s is refused, with a pointer to the field", (_, change, pointer) => {
  const problems = ((): readonly ValidationError[] => {
    try {
      readTemplate(broken(change));
      return [];
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return error.inner.length > 0 ? error.inner : [error];
    }
  })();
  expect(problems.map(({ path }) => jsonPointer(path))).toContain(pointer);
});

/** Checks of several fields at once, which JSON Schema has no words for. */
const BEYOND_JSON_SCHEMA = ["two scenes of one id", "two slots of one id", "a transition longer than half its scene"];

test("the published JSON Schema, read by ajv, accepts every shipped template and refuses what our own schema refuses", () => {
  const validate = new Ajv2020({ formats: { uuid: true } }).compile(templateJsonSchema());
  for (const template of SHIPPED_TEMPLATES)
    expect([template.slug, validate(JSON.parse(JSON.stringify(template)))]).toEqual([template.slug, true]);
  for (const [what, change] of BROKEN)
    expect([what, validate(broken(change))]).toEqual([what, BEYOND_JSON_SCHEMA.includes(what)]);
});

test("every shipped template is sound, has its own slug, and reads back as it was written", () => {
  for (const template of SHIPPED_TEMPLATES)
    expect(readTemplate(JSON.parse(JSON.stringify(template)))).toEqual(JSON.parse(JSON.stringify(template)));
  expect(new Set(SHIPPED_TEMPLATES.map(({ slug }) => slug)).size).toBe(SHIPPED_TEMPLATES.length);
});

test("the shipped templates cover every purpose, in the usual lengths; some need pictures, some clips, some words only", () => {
  expect(SHIPPED_TEMPLATES.length).toBeGreaterThanOrEqual(14);
  expect([...new Set(SHIPPED_TEMPLATES.map(({ purpose }) => purpose))].sort()).toEqual([...PURPOSES].sort());
  expect(
    [...new Set(SHIPPED_TEMPLATES.map((template) => templateLength(template)))].sort((one, other) => one - other),
  ).toEqual([6000, 10_000, 15_000, 30_000]);
  const needs = SHIPPED_TEMPLATES.map(needsOf);
  expect(needs.some(({ pictures, clips }) => pictures > 0 && clips === 0)).toBe(true);
  expect(needs.some(({ clips }) => clips > 0)).toBe(true);
  expect(needs.some(({ pictures, clips }) => pictures + clips === 0)).toBe(true);
  expect(needsInWords({ pictures: 2, clips: 1, offer: false, rows: 0 })).toBe("2 pictures, 1 clip");
});

test("a template of version 1 is upgraded: arrangements get parameters, everything says what may be changed", () => {
  const older = {
    version: 1,
    slug: "old-one",
    name: "Old one",
    purpose: "Say it and go.",
    sound: ONE_OFFER.sound,
    scenes: [
      {
        id: "hook",
        name: "Hook",
        arrangement: "offer",
        length: 3000,
        overlap: 0,
        slots: [{ kind: "words", id: "a", label: "A", hint: "", required: false, role: "headline", budget: 20 }],
      },
    ],
  };
  const read = readTemplate(older);
  expect(read).toMatchObject({
    version: 2,
    purpose: "other",
    about: "Say it and go.",
    scenes: [
      { arrangement: { name: "split" }, ground: "primary", slots: [{ allows: { content: true, remove: true } }] },
    ],
  });
});

test("a promotion of version 1 is upgraded: its template's scenes become its own, its fills stay", () => {
  const id = "00000000-0000-4000-8000-000000000001";
  const older = {
    version: 1,
    name: "Old",
    template: "one-offer",
    brand: id,
    product: null,
    offer: null,
    tune: null,
    fills: { "hook.headline": { kind: "words", text: "Still here" } },
  };
  expect(readPromotion(older)).toMatchObject({
    version: 2,
    template: { slug: "one-offer", edition: 1 },
    scenes: [{ id: "hook" }, { id: "product" }, { id: "offer" }, { id: "sign-off" }],
    fills: { "hook.headline": { text: "Still here" } },
  });
});
