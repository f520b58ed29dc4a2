import { Ajv2020 } from "ajv/dist/2020";
import { ValidationError } from "yup";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_TEMPLATES } from "../templates/shipped";
import { defined } from "../testing/defined";
import { needsInWords, needsOf, templateLength } from "./needs";
import { PURPOSES } from "./template";
import { jsonPointer, readTemplate, readTemplateDocument } from "./templateSchema";
import { listedTemplate, templateDocument } from "./templateDocument";
import { templateJsonSchema } from "./templateJsonSchema";

const DOCUMENT = templateDocument(ONE_OFFER);
const HOOK = DOCUMENT.scenes["hook"];

const many = (count: number, member: (index: number) => [string, unknown]): object =>
  Object.fromEntries(Array.from({ length: count }, (_, index) => member(index)));

/** The document as plain JSON, with the value at a JSON pointer (RFC 6901) replaced, or removed where it is undefined. */
function broken(at: string, value: unknown): unknown {
  const document: unknown = JSON.parse(JSON.stringify(DOCUMENT));
  const names = at.split("/").slice(1);
  const last = defined(names.pop());
  const holder = names.reduce<unknown>(
    (inside, name) => Reflect.get(Object(inside) as object, name) as unknown,
    document,
  );
  if (value === undefined) Reflect.deleteProperty(Object(holder) as object, last);
  else Reflect.set(Object(holder) as object, last, value);
  return document;
}

const BROKEN: readonly (readonly [what: string, at: string, value: unknown, pointer: string])[] = [
  ["a version to come", "/version", 9, "/version"],
  ["no slug", "/slug", undefined, "/slug"],
  ["a slug with blanks", "/slug", "One Offer", "/slug"],
  ["a blank name", "/name", " ", "/name"],
  ["a name that is a number", "/name", 7, "/name"],
  ["a purpose that there is not", "/purpose", "world peace", "/purpose"],
  ["an about of 300 letters", "/about", "x".repeat(300), "/about"],
  ["no formats", "/formats", {}, "/formats"],
  ["a format that there is not", "/formats", { round: { order: "a0" } }, "/formats/round"],
  ["a format without its order", "/formats/square/order", undefined, "/formats/square/order"],
  ["no scenes", "/scenes", {}, "/scenes"],
  ["scenes in a list", "/scenes", [HOOK], "/scenes"],
  ["twenty-five scenes", "/scenes", many(25, (index) => [`s${index}`, HOOK]), "/scenes"],
  ["a scene whose id has capitals", "/scenes/Hook", HOOK, "/scenes/Hook"],
  ["a scene without its order", "/scenes/hook/order", undefined, "/scenes/hook/order"],
  ["a scene without a name", "/scenes/hook/name", undefined, "/scenes/hook/name"],
  ["an arrangement that there is not", "/scenes/hook/arrangement", { name: "pinwheel" }, "/scenes/hook/arrangement"],
  [
    "an arrangement without its parameter",
    "/scenes/hook/arrangement/words",
    undefined,
    "/scenes/hook/arrangement/words",
  ],
  ["a share out of range", "/scenes/product/arrangement/share", 0.9, "/scenes/product/arrangement/share"],
  ["a parameter of another arrangement", "/scenes/hook/arrangement/gap", 3, "/scenes/hook/arrangement"],
  ["a length in parts of a millisecond", "/scenes/offer/length", 4500.5, "/scenes/offer/length"],
  ["a scene of no length", "/scenes/offer/length", 0, "/scenes/offer/length"],
  ["a transition longer than half its scene", "/scenes/offer/overlap", 2600, "/scenes/offer"],
  ["a ground that is no role", "/scenes/hook/ground", "mauve", "/scenes/hook/ground"],
  ["a logo that is neither yes nor no", "/scenes/hook/logo", "yes", "/scenes/hook/logo"],
  ["a slot of no kind", "/scenes/hook/slots/headline/kind", undefined, "/scenes/hook/slots/headline"],
  ["a slot of a kind that there is not", "/scenes/hook/slots/headline/kind", "song", "/scenes/hook/slots/headline"],
  ["a slot whose id has blanks", "/scenes/hook/slots/my slot", HOOK?.slots["headline"], "/scenes/hook/slots"],
  [
    "thirteen slots",
    "/scenes/hook/slots",
    many(13, (index) => [`s${index}`, HOOK?.slots["headline"]]),
    "/scenes/hook/slots",
  ],
  ["a role that there is not", "/scenes/hook/slots/headline/role", "shout", "/scenes/hook/slots/headline/role"],
  ["a budget of none", "/scenes/hook/slots/headline/budget", 0, "/scenes/hook/slots/headline/budget"],
  [
    "a binding that there is not",
    "/scenes/product/slots/name/binding",
    "moon.phase",
    "/scenes/product/slots/name/binding",
  ],
  ["a picture that accepts nothing", "/scenes/hook/slots/picture/accepts", [], "/scenes/hook/slots/picture/accepts"],
  [
    "a picture from somewhere else",
    "/scenes/hook/slots/picture/from",
    "https://example.com/a.jpg",
    "/scenes/hook/slots/picture/from",
  ],
  ["a picture without its needs", "/scenes/hook/slots/picture/needs", undefined, "/scenes/hook/slots/picture/needs"],
  [
    "a slot that does not say what may be changed",
    "/scenes/hook/slots/headline/allows/color",
    undefined,
    "/scenes/hook/slots/headline/allows/color",
  ],
  ["a scene that does not say what may be changed", "/scenes/hook/allows", undefined, "/scenes/hook/allows"],
  [
    "a place of no size",
    "/scenes/hook/places",
    { square: { headline: { x: 0, y: 0, width: 1, height: 90 } } },
    "/scenes/hook/places/square/headline/width",
  ],
  ["a place in a format that there is not", "/scenes/hook/places", { round: {} }, "/scenes/hook/places"],
  ["a motion that there is not", "/style/motion", "explode", "/style/motion"],
  ["a loudness that would clip", "/sound/loudness", 3, "/sound/loudness"],
  ["something nobody knows", "/surprise", true, ""],
];

test.each(BROKEN)("%s is refused, with a pointer to the field", (_, at, value, pointer) => {
  const problems = ((): readonly ValidationError[] => {
    try {
      readTemplate(broken(at, value));
      return [];
    } catch (error) {
      if (!(error instanceof ValidationError)) throw error;
      return error.inner.length > 0 ? error.inner : [error];
    }
  })();
  expect(problems.map(({ path }) => jsonPointer(path))).toContain(pointer);
});

/** Checks of several fields at once, which JSON Schema has no words for. */
const BEYOND_JSON_SCHEMA = ["a transition longer than half its scene"];

test("the published JSON Schema, read by ajv, accepts every shipped template and refuses what our own schema refuses", () => {
  const validate = new Ajv2020({ formats: { uuid: true } }).compile(templateJsonSchema());
  for (const template of SHIPPED_TEMPLATES)
    expect([template.slug, validate(JSON.parse(JSON.stringify(templateDocument(template))))]).toEqual([
      template.slug,
      true,
    ]);
  for (const [what, at, value] of BROKEN)
    expect([what, validate(broken(at, value))]).toEqual([what, BEYOND_JSON_SCHEMA.includes(what)]);
});

test("every shipped template is sound, has its own slug, and reads back as it was written", () => {
  for (const template of SHIPPED_TEMPLATES)
    expect(readTemplate(JSON.parse(JSON.stringify(templateDocument(template))))).toEqual(
      JSON.parse(JSON.stringify(template)),
    );
  expect(new Set(SHIPPED_TEMPLATES.map(({ slug }) => slug)).size).toBe(SHIPPED_TEMPLATES.length);
});

test("the shipped templates cover every purpose, in the usual lengths; some need pictures, some clips, some words only", () => {
  expect(SHIPPED_TEMPLATES.length).toBeGreaterThanOrEqual(14);
  expect([...new Set(SHIPPED_TEMPLATES.map(({ purpose }) => purpose))].sort()).toEqual([...PURPOSES].sort());
  expect(
    [...new Set(SHIPPED_TEMPLATES.map((template) => templateLength(template)))].sort((one, other) => one - other),
  ).toEqual([6000, 7000, 10_000, 15_000, 30_000]);
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
    version: 5,
    purpose: "other",
    about: "Say it and go.",
    scenes: [
      { arrangement: { name: "split" }, ground: "primary", slots: [{ allows: { content: true, remove: true } }] },
    ],
  });
});

test("a template of version 3 is upgraded: its lists are records now, in the order they had", () => {
  const [hook, product] = ONE_OFFER.scenes;
  const older = { ...ONE_OFFER, version: 3, formats: ["vertical", "square"], scenes: [product, hook] };
  const read = readTemplateDocument(JSON.parse(JSON.stringify(older)));
  expect(Object.keys(read.scenes)).toEqual(["hook", "product"]);
  expect(listedTemplate(read)).toEqual(JSON.parse(JSON.stringify({ ...older, version: 5 })));
});
