import { Ajv2020 } from "ajv/dist/2020";
import { ValidationError } from "yup";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_TEMPLATES } from "../templates/shipped";
import { defined } from "../testing/defined";
import { needsInWords, needsOf, templateLength } from "./needs";
import { PURPOSES } from "./template";
import { jsonPointer, readTemplate } from "./templateSchema";
import { templateJsonSchema } from "./templateJsonSchema";

const FIRST = defined(ONE_OFFER.scenes[0]);

/** The document as plain JSON, with the value at a JSON pointer (RFC 6901) replaced, or removed where it is undefined. */
function broken(at: string, value: unknown): unknown {
  const document: unknown = JSON.parse(JSON.stringify(ONE_OFFER));
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
  ["no scenes", "/scenes", [], "/scenes"],
  ["scenes that are no list", "/scenes", {}, "/scenes"],
  ["thirteen scenes", "/scenes", Array.from({ length: 13 }, (_, index) => ({ ...FIRST, id: `s${index}` })), "/scenes"],
  ["two scenes of one id", "/scenes/1/id", FIRST.id, "/scenes"],
  ["a scene without a name", "/scenes/0/name", undefined, "/scenes/0/name"],
  ["an arrangement that there is not", "/scenes/0/arrangement", { name: "pinwheel" }, "/scenes/0/arrangement"],
  ["an arrangement without its parameter", "/scenes/0/arrangement/words", undefined, "/scenes/0/arrangement/words"],
  ["a share out of range", "/scenes/1/arrangement/share", 0.9, "/scenes/1/arrangement/share"],
  ["a parameter of another arrangement", "/scenes/0/arrangement/gap", 3, "/scenes/0/arrangement"],
  ["a length in parts of a millisecond", "/scenes/2/length", 4500.5, "/scenes/2/length"],
  ["a scene of no length", "/scenes/2/length", 0, "/scenes/2/length"],
  ["a transition longer than half its scene", "/scenes/2/overlap", 2600, "/scenes/2"],
  ["a ground that is no role", "/scenes/0/ground", "mauve", "/scenes/0/ground"],
  ["a logo that is neither yes nor no", "/scenes/0/logo", "yes", "/scenes/0/logo"],
  ["a slot of no kind", "/scenes/0/slots/0/kind", undefined, "/scenes/0/slots/0"],
  ["a slot of a kind that there is not", "/scenes/0/slots/0/kind", "song", "/scenes/0/slots/0"],
  ["two slots of one id", "/scenes/0/slots/1/id", FIRST.slots[0]?.id, "/scenes/0/slots"],
  ["a role that there is not", "/scenes/0/slots/0/role", "shout", "/scenes/0/slots/0/role"],
  ["a budget of none", "/scenes/0/slots/0/budget", 0, "/scenes/0/slots/0/budget"],
  ["a binding that there is not", "/scenes/1/slots/0/binding", "moon.phase", "/scenes/1/slots/0/binding"],
  ["a picture that accepts nothing", "/scenes/0/slots/1/accepts", [], "/scenes/0/slots/1/accepts"],
  ["a picture from somewhere else", "/scenes/0/slots/1/from", "https://example.com/a.jpg", "/scenes/0/slots/1/from"],
  ["a picture without its needs", "/scenes/0/slots/1/needs", undefined, "/scenes/0/slots/1/needs"],
  [
    "a slot that does not say what may be changed",
    "/scenes/0/slots/0/allows/color",
    undefined,
    "/scenes/0/slots/0/allows/color",
  ],
  ["a scene that does not say what may be changed", "/scenes/0/allows", undefined, "/scenes/0/allows"],
  [
    "a place of no size",
    "/scenes/0/places",
    { square: { headline: { x: 0, y: 0, width: 1, height: 90 } } },
    "/scenes/0/places/square/headline/width",
  ],
  ["a place in a format that there is not", "/scenes/0/places", { round: {} }, "/scenes/0/places"],
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
const BEYOND_JSON_SCHEMA = ["two scenes of one id", "two slots of one id", "a transition longer than half its scene"];

test("the published JSON Schema, read by ajv, accepts every shipped template and refuses what our own schema refuses", () => {
  const validate = new Ajv2020({ formats: { uuid: true } }).compile(templateJsonSchema());
  for (const template of SHIPPED_TEMPLATES)
    expect([template.slug, validate(JSON.parse(JSON.stringify(template)))]).toEqual([template.slug, true]);
  for (const [what, at, value] of BROKEN)
    expect([what, validate(broken(at, value))]).toEqual([what, BEYOND_JSON_SCHEMA.includes(what)]);
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
    version: 3,
    purpose: "other",
    about: "Say it and go.",
    scenes: [
      { arrangement: { name: "split" }, ground: "primary", slots: [{ allows: { content: true, remove: true } }] },
    ],
  });
});
