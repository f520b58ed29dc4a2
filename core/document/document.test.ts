import { mediaFill } from "./shots";
import { PICTURE_ID, CLIP_ID, testDocument, testFacts } from "../testing/promotions";
import { PROMOTION_VERSION, readPromotion } from "./promotion";
import { resolvePromotion } from "./resolve";

test.each([
  [{ fills: { "hook.headline": { kind: "words", text: "x".repeat(161) } } }, "at most 160"],
  [{ fills: [] }, "by name"],
  [{ name: "  " }, "needs a name"],
  [{ name: "x".repeat(81) }, "at most 80"],
  [{ product: "pot" }, "must be an id"],
  [{ placements: { "Square feed": { order: "a0" } } }, "is no placement’s id"],
  [{ placements: { "square-feed": {} } }, "order"],
  [{ version: PROMOTION_VERSION + 1 }, "newer"],
  [{ fills: { "hook headline": { kind: "words", text: "x" } } }, "not a slot’s address".replace("’", "'")],
  [{ fills: { "hook.headline": { kind: "song" } } }, "words, a media item or a list"],
  [{ scenes: {} }, "at least one scene"],
  [{ scenes: [] }, "by name"],
  [{ sceens: {} }, "no “sceens”"],
  [{ scenes: { hook: { ...testDocument().scenes["hook"], order: "first!" } } }, "letters and digits"],
  [{ scenes: { Hook: testDocument().scenes["hook"] } }, "lower-case letters"],
  [{ adjustments: { hook: { arrangement: { name: "pinwheel" } } } }, "An arrangement is one of"],
  [{ adjustments: { hook: { length: 20 } } }, "Length: At least 0.5 s"],
  [{ adjustments: { hook: { length: 2000.5 } } }, "whole milliseconds"],
  [{ adjustments: { hook: {} } }, "Nothing is set"],
  [{ adjustments: { hook: { tilt: 3 } } }, "no “tilt” to set"],
  [{ adjustments: { "hook@square": { length: 2000 } } }, "can't be set at “hook@square”"],
  [{ adjustments: { "@all": { ground: "ink" } } }, "can't be set at “@all”"],
  [{ adjustments: { "hook@all": { ground: "ink" } } }, "leave “@all” out"],
  [{ adjustments: { "": { ground: "ink" } } }, "no place to set"],
  [{ adjustments: { hook: { color: "accent" } } }, "Colour is set for a slot"],
  [{ adjustments: { "hook.headline": { ground: "ink" } } }, "Ground is set for a scene"],
  [{ adjustments: { "hook.headline": { color: "mauve" } } }, "Colour: "],
  [{ adjustments: { "hook.headline@square": { place: { x: 0, y: 0, width: 1, height: 1 } } } }, "At least 24"],
])("a document with %j is refused, naming what is wrong", (change, message) => {
  expect(() => readPromotion({ ...testDocument(), ...change })).toThrow(message);
});

test("slots take what was chosen, then their binding, then the fallback", () => {
  const shown = (fills = {}) => resolvePromotion(testDocument({ fills }), testFacts()).scenes;
  expect(shown()[0]?.words).toEqual({ headline: "Now is the time" });
  expect(shown()[1]?.words["name"]).toBe("Hand-thrown pot, 24 cm");
  expect(shown({ "product.name": { kind: "words", text: "The pot" } })[1]?.words["name"]).toBe("The pot");
  expect(shown({ "product.line": { kind: "words", text: "" } })[1]?.words["line"]).toBe("");
  expect(shown({ "offer.picture": mediaFill(CLIP_ID) })[3]?.shots["picture"]?.[0]?.media.id).toBe(CLIP_ID);
  expect(
    shown({ "hook.picture": mediaFill("00000000-0000-4000-8000-00000000dead") })[0]?.shots["picture"]?.[0]?.media.id,
  ).toBe(PICTURE_ID);
});
