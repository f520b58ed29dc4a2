import { mediaFill } from "./shots";
import fc from "fast-check";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { CLIP_ID, PICTURE_ID, PRODUCT_ID, testDocument, testFacts } from "../testing/promotions";
import { rect } from "../geometry/rect";
import { millis } from "../units";
import { newArrangement } from "./arrangements";
import { targetOf } from "./adjustments";
import { type Edit, editList, readEdit, sameTarget } from "./edit";
import {
  adjust,
  applyEdit,
  choose,
  chooseTune,
  editTo,
  fillSlot,
  giveBack,
  inverseOf,
  moveScene,
  putItem,
  rename,
  takeOutItem,
  takeOutScene,
} from "./edits";
import { promotionProblem } from "./locks";
import { type Promotion, readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { repeatScene } from "./restructure";
import { scenesInOrder } from "./sceneList";
import { type SlotKey } from "./sceneTemplate";
import { Refusal } from "../refusal";

const words = (text: string) => ({ kind: "words", text }) as const;
const HOOK = { scene: "hook" };

/** Edits that anyone might make on the plain promotion, wherever it has come to since. */
const anyEdit: fc.Arbitrary<(document: Promotion) => Edit> = fc.oneof(
  fc.tuple(fc.constantFrom<SlotKey>("hook.headline", "offer.terms"), fc.option(fc.string({ maxLength: 40 }))).map(
    ([slot, text]) =>
      () =>
        fillSlot(slot, text === null ? null : words(text)),
  ),
  fc
    .constantFrom(null, mediaFill(PICTURE_ID), mediaFill(CLIP_ID))
    .map((fill) => () => fillSlot("product.picture", fill)),
  fc.string({ minLength: 1, maxLength: 30 }).map((text) => () => rename(`P ${text}`)),
  fc.tuple(fc.constantFrom("product" as const, "offer" as const), fc.constantFrom(null, PRODUCT_ID)).map(
    ([what, id]) =>
      () =>
        choose(what, id),
  ),
  fc.constantFrom(null, CLIP_ID).map((id) => () => chooseTune(id)),
  fc.tuple(fc.constantFrom("badge", "bar"), fc.constantFrom("hook", "offer", "gone")).map(
    ([id, to]) =>
      () =>
        putItem(id, { kind: "sticker", sticker: "tick", order: "a0", from: "product", to }),
  ),
  fc.constantFrom("badge", "bar").map((id) => (document: Promotion) => takeOutItem(document, id)),
  fc.tuple(fc.constantFrom("badge", "bar"), fc.option(fc.integer({ min: -180, max: 180 }))).map(
    ([item, angle]) =>
      () =>
        adjust("angle", angle, { target: { item } }),
  ),
  fc.tuple(fc.constantFrom<SlotKey>("hook.headline", "product.line"), fc.constantFrom(null, true)).map(
    ([slot, value]) =>
      () =>
        adjust("hidden", value, { target: targetOf(slot) }),
  ),
  fc.tuple(fc.constantFrom("square" as const, "vertical" as const), fc.integer({ min: 0, max: 500 })).map(
    ([format, x]) =>
      () =>
        adjust("place", rect(x, 20.5, 300, 40), {
          target: { scene: "hook", slot: "headline" },
          layer: "scene@format",
          format,
        }),
  ),
  fc.tuple(fc.constantFrom("hook", "product"), fc.option(fc.integer({ min: 500, max: 9000 }))).map(
    ([scene, length]) =>
      () =>
        adjust("length", length === null ? null : millis(length), { target: { scene } }),
  ),
  fc
    .constantFrom(newArrangement("quote"), newArrangement("split"), null)
    .map((arrangement) => () => adjust("arrangement", arrangement, { target: HOOK })),
  fc.option(fc.boolean()).map((zoom) => () => adjust("zoom", zoom, { target: HOOK, layer: "@all" })),
  fc.tuple(fc.nat(3), fc.nat(3)).map(([which, to]) => (document: Promotion) => {
    const scenes = scenesInOrder(document);
    return moveScene(document, scenes[which % scenes.length]?.id ?? "", Math.min(to, scenes.length - 1));
  }),
  fc.constantFrom("offer", "sign-off").map((id) => () => takeOutScene(id)),
  fc
    .constantFrom("hook", "product")
    .map((id) => (document: Promotion) => editTo(document, repeatScene(document, id), "Repeat")),
);

test("any row of edits can be taken back, one by one, to the same bytes", () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { maxLength: 20 }), (makes) => {
      const start = readPromotion(testDocument({ fills: { "hook.headline": words("As it was") } }));
      let document = start;
      const inverses: Edit[] = [];
      for (const edit of madeOneAfterAnother(start, makes)) {
        inverses.unshift(inverseOf(document, edit));
        document = applyEdit(document, edit);
      }
      expect(JSON.stringify(inverses.reduce(applyEdit, document))).toBe(JSON.stringify(start));
    }),
    { numRuns: 300 },
  );
});

/** Ten thousand edits in all. */
const LONG_ROWS = { rows: 50, length: 200 };

test("however many edits are made, a document stays one that opens, and reads back as it is", () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { minLength: LONG_ROWS.length, maxLength: LONG_ROWS.length }), (makes) => {
      const start = readPromotion(testDocument());
      const document = madeOneAfterAnother(start, makes).reduce(applyEdit, start);
      expect(JSON.stringify(readPromotion(JSON.parse(JSON.stringify(document))))).toBe(JSON.stringify(document));
      expect(promotionProblem(document, SHIPPED_BY_REF)).toBeNull();
      const { scenes, length } = resolvePromotion(document, testFacts());
      expect(scenes.length).toBeGreaterThan(0);
      expect(length).toBeGreaterThan(0);
    }),
    { numRuns: LONG_ROWS.rows },
  );
});

/**
 * What comes of making edits one after another. What can't be made is left out: where there are as many scenes as there
 * can be, repeating one is refused.
 */
function madeOneAfterAnother(start: Promotion, makes: readonly ((document: Promotion) => Edit)[]): Edit[] {
  const edits: Edit[] = [];
  makes.reduce((document, make) => {
    try {
      const edit = make(document);
      const next = applyEdit(document, edit);
      edits.push(edit);
      return next;
    } catch (error) {
      expect(error).toBeInstanceOf(Refusal);
      return document;
    }
  }, start);
  return edits;
}

test("two batches of edits on different places give the same document, whichever comes first", () => {
  const start = readPromotion(testDocument());
  fc.assert(
    fc.property(fc.array(anyEdit, { maxLength: 8 }), fc.array(anyEdit, { maxLength: 8 }), (one, other) => {
      const mine = madeOneAfterAnother(start, one);
      const taken = new Set(mine.flatMap(placesOf));
      const theirs = madeOneAfterAnother(start, other).filter(
        (edit) => !placesOf(edit).some((path) => taken.has(path)),
      );
      const [first, second] = [
        [...mine, ...theirs].reduce(applyEdit, start),
        [...theirs, ...mine].reduce(applyEdit, start),
      ];
      expect(JSON.stringify(first)).toBe(JSON.stringify(second));
    }),
    { numRuns: 300 },
  );
});

/** A scene that is taken out is the place of all that is changed of it. */
const placesOf = ({ patch }: Edit): string[] =>
  patch.map(({ path }) => (path.startsWith("/scenes/") ? path.split("/").slice(0, 3).join("/") : path));

test("edits survive the wire", () => {
  fc.assert(
    fc.property(fc.array(anyEdit, { maxLength: 5 }), (makes) => {
      const edits = makes.map((make) => make(testDocument()));
      const sent = edits.map(({ label, patch }) => ({ label, patch }));
      expect(editList(JSON.parse(JSON.stringify(edits))).map(readEdit)).toEqual(sent);
    }),
  );
});

test("typing in one field is one target, in two fields two", () => {
  const typed = (slot: SlotKey, text: string): Edit => fillSlot(slot, words(text));
  expect(sameTarget(typed("hook.headline", "a"), typed("hook.headline", "ab"))).toBe(true);
  expect(sameTarget(typed("hook.headline", "a"), typed("offer.terms", "a"))).toBe(false);
});

test("a place is given back in every format at once, and there is nothing to give back twice", () => {
  const target = { scene: "hook", slot: "headline" };
  const place = (format: "square" | "vertical"): Edit =>
    adjust("place", rect(10, 20, 300, 40), { target, layer: "scene@format", format });
  const placed = [place("square"), place("vertical"), adjust("color", "accent", { target })].reduce(
    applyEdit,
    testDocument(),
  );
  const back = giveBack(placed, "place", target);
  const after = back && applyEdit(placed, back);
  expect(after?.adjustments).toEqual({ "hook.headline": { color: "accent" } });
  expect(after && giveBack(after, "place", target)).toBeNull();
});

test.each<[string, Edit["patch"], string]>([
  ["too many words", fillSlot("hook.headline", words("x".repeat(161))).patch, "at most 160"],
  ["no name", rename(" ").patch, "needs a name"],
  ["a scene that is gone", [{ op: "replace", path: "/scenes/nobody/order", value: "a1" }], "no “/scenes/nobody”"],
  ["the last scene", ["hook", "product", "offer", "sign-off"].flatMap((id) => takeOutScene(id).patch), "at least one"],
  ["a whole record", [{ op: "replace", path: "/fills", value: {} }], "can't be changed as a whole"],
  ["another version", [{ op: "replace", path: "/version", value: 2 }], "can't be changed"],
  ["what there is not", [{ op: "add", path: "/sound", value: 3 }], "can't be changed"],
  [
    "a name of the language's own",
    [{ op: "add", path: "/fills/__proto__", value: words("x") }],
    "not a slot's address",
  ],
  ["no path", [{ op: "remove", path: "fills" }], "starts with “/”"],
])("%s is refused, and the document is as it was", (_, patch, problem) => {
  const before = testDocument();
  const bytes = JSON.stringify(before);
  expect(() => applyEdit(before, { label: "Try", patch })).toThrow(problem);
  expect(JSON.stringify(before)).toBe(bytes);
});

test.each([
  ["{}"],
  ['[{"label":"x"}]'],
  ['[{"label":"x","patch":[]}]'],
  ['[{"label":"x","patch":[{"op":"move","path":"/name"}]}]'],
  ['[{"label":"x","patch":[{"op":"add","path":"/name"}]}]'],
  ['[{"label":"x","patch":[{"op":"add","value":3}]}]'],
])("edits like %s are refused", (json) => {
  expect(() => editList(JSON.parse(json)).map(readEdit)).toThrow();
});

test("one step leads from any version of a promotion to any other, and its inverse back", () => {
  const version = fc
    .array(anyEdit, { maxLength: 8 })
    .map((makers) => makers.reduce((document, make) => applyEdit(document, make(document)), testDocument()));
  fc.assert(
    fc.property(version, version, (before, after) => {
      fc.pre(JSON.stringify(before) !== JSON.stringify(after));
      const edit = editTo(before, after, "All at once");
      expect(applyEdit(before, edit)).toEqual(after);
      expect(JSON.stringify(applyEdit(applyEdit(before, edit), inverseOf(before, edit)))).toBe(JSON.stringify(before));
    }),
  );
});
