import fc from "fast-check";
import { PICTURE_ID, CLIP_ID, PRODUCT_ID, testDocument, testFacts } from "../testing/promotions";
import { newArrangement } from "./arrangements";
import { type Edit, type SceneChange, applyEdit, editList, inverseOf, readEdit, sameTarget } from "./edits";
import { readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { repeatScene } from "./restructure";

const edit: fc.Arbitrary<Edit> = fc.oneof(
  fc.record({
    kind: fc.constant("fill" as const),
    slot: fc.constantFrom("hook.headline" as const, "offer.terms" as const),
    fill: fc.oneof(
      fc.constant(null),
      fc.record({ kind: fc.constant("words" as const), text: fc.string({ maxLength: 40 }) }),
    ),
  }),
  fc.record({
    kind: fc.constant("fill" as const),
    slot: fc.constant("product.picture" as const),
    fill: fc.constantFrom(
      null,
      { kind: "media" as const, media: PICTURE_ID },
      { kind: "media" as const, media: CLIP_ID },
    ),
  }),
  fc.record({
    kind: fc.constant("rename" as const),
    name: fc.string({ minLength: 1, maxLength: 30 }).map((text) => `P ${text}`),
  }),
  fc.record({
    kind: fc.constant("change-slot" as const),
    slot: fc.constantFrom("hook.headline" as const, "product.line" as const),
    change: fc.constantFrom(
      null,
      { hidden: true },
      { color: "accent" as const },
      { places: { square: { x: 10, y: 20.5, width: 300, height: 40 } } },
    ),
  }),
  fc.record({
    kind: fc.constant("change-scene" as const),
    scene: fc.constantFrom("hook", "product"),
    change: fc.constantFrom<SceneChange>(
      { what: "ground", value: "primary" },
      { what: "ground", value: null },
      { what: "length", value: 4200 },
      { what: "length", value: null },
      { what: "arrangement", value: newArrangement("quote") },
      { what: "arrangement", value: null },
    ),
  }),
  fc.record({
    kind: fc.constant("scenes" as const),
    scenes: fc.shuffledSubarray([...testDocument().scenes], { minLength: 1 }),
  }),
  fc
    .constantFrom("hook", "product")
    .map((scene): Edit => ({ kind: "restructure", structure: repeatScene(testDocument(), scene) })),
  fc.record({
    kind: fc.constant("choose" as const),
    what: fc.constantFrom("product" as const, "offer" as const, "tune" as const),
    id: fc.constantFrom(null, PRODUCT_ID),
  }),
);

test("any row of edits can be taken back, one by one, to the very document", () => {
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 12 }), (edits) => {
      let document = testDocument();
      const inverses: Edit[] = [];
      for (const one of edits) {
        inverses.unshift(inverseOf(document, one));
        document = applyEdit(document, one);
      }
      expect(inverses.reduce(applyEdit, document)).toEqual(testDocument());
    }),
  );
});

test("edits survive the wire", () => {
  fc.assert(
    fc.property(fc.array(edit, { maxLength: 5 }), (edits) =>
      expect(editList(JSON.parse(JSON.stringify(edits))).map(readEdit)).toEqual(edits),
    ),
  );
});

test("typing in one field is one target, in two fields two", () => {
  const words = (slot: "hook.headline" | "offer.terms", text: string): Edit => ({
    kind: "fill",
    slot,
    fill: { kind: "words", text },
  });
  expect(sameTarget(words("hook.headline", "a"), words("hook.headline", "ab"))).toBe(true);
  expect(sameTarget(words("hook.headline", "a"), words("offer.terms", "a"))).toBe(false);
});

test.each([
  [{ fills: { "hook.headline": { kind: "words", text: "x".repeat(161) } } }, "at most 160"],
  [{ fills: [] }, "by slot"],
  [{ name: "  " }, "needs a name"],
  [{ name: "x".repeat(81) }, "at most 80"],
  [{ product: "pot" }, "must be an id"],
  [{ version: 3 }, "newer"],
  [{ fills: { "hook headline": { kind: "words", text: "x" } } }, "not a slot’s address".replace("’", "'")],
  [{ fills: { "hook.headline": { kind: "song" } } }, "words, a media item or a list"],
  [{ scenes: [] }, "at least one scene"],
  [{ scenes: [...testDocument().scenes, ...testDocument().scenes] }, "same id"],
  [{ scenes: [{ ...testDocument().scenes[0], arrangement: { name: "pinwheel" } }] }, "An arrangement is one of"],
  [{ scenes: [{ ...testDocument().scenes[0], length: 20 }] }, "half a second"],
  [{ changes: { "hook.headline": { color: "mauve" } } }, "color"],
  [{ changes: { "hook.headline": { places: { square: { x: 0, y: 0, width: 1, height: 1 } } } } }, "At least 24"],
])("a document with %j is refused, naming what is wrong", (change, message) => {
  expect(() => readPromotion({ ...testDocument(), ...change })).toThrow(message);
});

test.each([["{}"], ['[{"kind":"explode"}]'], ['[{"kind":"rename"}]'], ['[{"kind":"choose","what":"team","id":null}]']])(
  "edits like %s are refused",
  (json) => {
    expect(() => editList(JSON.parse(json)).map(readEdit)).toThrow();
  },
);

test("slots take what was chosen, then their binding, then the fallback", () => {
  const shown = (fills = {}) => resolvePromotion(testDocument({ fills }), testFacts()).scenes;
  expect(shown()[0]?.words).toEqual({ headline: "Now is the time" });
  expect(shown()[1]?.words["name"]).toBe("Hand-thrown pot, 24 cm");
  expect(shown({ "product.name": { kind: "words", text: "The pot" } })[1]?.words["name"]).toBe("The pot");
  expect(shown({ "product.line": { kind: "words", text: "" } })[1]?.words["line"]).toBe("");
  expect(shown({ "offer.picture": { kind: "media", media: CLIP_ID } })[3]?.media["picture"]?.id).toBe(CLIP_ID);
  expect(
    shown({ "hook.picture": { kind: "media", media: "00000000-0000-4000-8000-00000000dead" } })[0]?.media["picture"]
      ?.id,
  ).toBe(PICTURE_ID);
});
