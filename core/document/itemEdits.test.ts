import { rect } from "../geometry/rect";
import { testDocument } from "../testing/promotions";
import { defined } from "../testing/defined";
import { millis } from "../units";
import { adjust, applyEdit, inverseOf } from "./edits";
import { addItem, placeItem, repeatItem, restackItem } from "./itemEdits";
import { itemKey, itemOfKey } from "./itemKey";
import { DRAWN_PRESETS, WORDS_PRESETS, counterPresets, stickerPreset } from "./itemPresets";
import { type Item } from "./items";
import { promotionProblem } from "./locks";
import { membersInOrder } from "./ordered";
import { type Promotion, readPromotion } from "./promotion";
import { STICKERS } from "./stickers";
import { SHIPPED_BY_REF } from "../templates/shipped";

const stacked = ({ items }: Promotion): string[] => membersInOrder<string, Item>(items).map(({ id }) => id);
const LABEL = defined(WORDS_PRESETS.find(({ title }) => title === "Label"));
const CARD = defined(DRAWN_PRESETS.find(({ title }) => title === "Card"));

test("everything that is offered can be put in, all at once, and one step takes each back to the byte", () => {
  const presets = [
    ...WORDS_PRESETS,
    ...counterPresets("2026-11-27"),
    ...DRAWN_PRESETS,
    ...STICKERS.map((sticker) => stickerPreset(sticker, sticker)),
  ];
  let document = testDocument();
  for (const preset of presets) {
    const { id, edit } = addItem(document, "hook", preset);
    const after = applyEdit(document, edit);
    expect(after.items[id]).toMatchObject({ ...preset.item, from: "hook", to: "hook" });
    // Where it is put it may stand aside of others; all else is as the preset has it.
    const { at: wanted, ...set } = preset.set;
    expect(after.adjustments[itemKey(id)] ?? {}).toMatchObject(set);
    if (Object.keys(document.items).length === 0 && wanted) expect(after.adjustments[itemKey(id)]?.at).toEqual(wanted);
    expect(stacked(after).at(-1)).toBe(id);
    expect(JSON.stringify(applyEdit(after, inverseOf(document, edit)))).toBe(JSON.stringify(document));
    document = after;
  }
  expect(Object.keys(document.items)).toHaveLength(presets.length);
  expect(readPromotion(document)).toEqual(document);
  expect(promotionProblem(document, SHIPPED_BY_REF)).toBeNull();
});

test("what is put in twice does not lie on the first: it stands further down, and further up where the frame ends", () => {
  const heart = stickerPreset("heart", "Heart");
  let document = testDocument();
  const places: unknown[] = [];
  for (let count = 0; count < 4; count++) {
    const { id, edit } = addItem(document, "hook", heart);
    document = applyEdit(document, edit);
    places.push(document.adjustments[itemKey(id)]?.at ?? "as usual");
  }
  expect(places).toEqual(["as usual", { x: 0.78, y: 0.46 }, { x: 0.78, y: 0.7 }, { x: 0.78, y: 0.94 }]);
  const foot = { ...heart, set: { at: { x: 0.5, y: 0.9 } } };
  document = applyEdit(document, addItem(document, "offer", foot).edit);
  const { id, edit } = addItem(document, "offer", foot);
  expect(applyEdit(document, edit).adjustments[itemKey(id)]?.at).toEqual({ x: 0.5, y: 0.66 });
});

test("a hundred items are the most; one more is refused in words", () => {
  let document = testDocument();
  for (let count = 0; count < 100; count++) document = applyEdit(document, addItem(document, "hook", CARD).edit);
  expect(() => addItem(document, "hook", CARD)).toThrow("at most 100 items");
});

test("an item goes up and down among the others one at a time, and no further than the top and the foot", () => {
  let document = testDocument();
  for (let count = 0; count < 3; count++) document = applyEdit(document, addItem(document, "hook", LABEL).edit);
  const [first = "", second = "", third = ""] = stacked(document);
  expect(stacked(applyEdit(document, defined(restackItem(document, first, 1))))).toEqual([second, first, third]);
  expect(stacked(applyEdit(document, defined(restackItem(document, third, -1))))).toEqual([first, third, second]);
  expect(restackItem(document, third, 1)).toBeNull();
  expect(restackItem(document, first, -1)).toBeNull();
  expect(restackItem(document, "no such", 1)).toBeNull();
});

test("a repeated item has all that is set for the first, also in single formats, and is its own from then on", () => {
  const { id, edit } = addItem(testDocument(), "hook", LABEL);
  let document = applyEdit(testDocument(), edit);
  const target = { item: id };
  document = applyEdit(document, adjust("angle", 20, { target, layer: "scene@format", format: "vertical" }));
  const made = defined(repeatItem(document, id));
  const after = applyEdit(document, made.edit);
  expect(after.items[made.id]).toMatchObject({
    kind: "words",
    text: LABEL.item.kind === "words" ? LABEL.item.text : "",
  });
  expect(after.adjustments[itemKey(made.id)]).toEqual(document.adjustments[itemKey(id)]);
  expect(after.adjustments[`${itemKey(made.id)}@vertical`]).toEqual({ angle: 20 });
  const changed = applyEdit(after, adjust("starts", millis(500), { target: { item: made.id } }));
  expect(changed.adjustments[itemKey(id)]).toEqual(document.adjustments[itemKey(id)]);
  expect(repeatItem(document, "no such")).toBeNull();
});

test("a drag moves an item by as much in every format, or in one where it has a place of its own", () => {
  const { id, edit } = addItem(testDocument(), "hook", CARD);
  const document = applyEdit(testDocument(), edit);
  const target = { item: id };
  const from = rect(378, 378, 324, 324);
  const moved = applyEdit(
    document,
    defined(placeItem(document, id, { format: "square", from, to: rect(486, 378, 324, 324) })),
  );
  // Half the frame across, and a tenth of 1080 to the right.
  expect(moved.adjustments[itemKey(id)]).toEqual({ at: { x: 0.6, y: 0.5 } });
  const own = applyEdit(moved, adjust("at", { x: 0.2, y: 0.2 }, { target, layer: "scene@format", format: "square" }));
  const again = applyEdit(own, defined(placeItem(own, id, { format: "square", from, to: rect(378, 486, 324, 324) })));
  expect(again.adjustments[itemKey(id)]).toEqual({ at: { x: 0.6, y: 0.5 } });
  expect(again.adjustments[`${itemKey(id)}@square`]).toEqual({ at: { x: 0.2, y: 0.3 } });
  // It is not lost beyond the edge.
  const out = applyEdit(
    document,
    defined(placeItem(document, id, { format: "square", from, to: rect(5000, 378, 324, 324) })),
  );
  expect(out.adjustments[itemKey(id)]?.at).toEqual({ x: 1, y: 0.5 });
});

test("what is pulled at its side grows by that side alone; what has one size grows as a whole; half a unit is no pull", () => {
  const put = (preset: typeof CARD) => {
    const { id, edit } = addItem(testDocument(), "hook", preset);
    return { id, document: applyEdit(testDocument(), edit) };
  };
  const from = rect(400, 400, 200, 100);
  const pulled = (preset: typeof CARD, to: typeof from) => {
    const { id, document } = put(preset);
    const after = applyEdit(document, defined(placeItem(document, id, { format: "square", from, to })));
    return after.adjustments[itemKey(id)] ?? {};
  };
  expect(pulled(CARD, rect(400, 400, 400, 100))).toMatchObject({ size: 0.6, tall: 0.5 });
  expect(pulled(CARD, rect(400, 400, 200, 200))).toMatchObject({ tall: 2 });
  expect(pulled(LABEL, rect(400, 400, 200, 150))).toMatchObject({ size: 0.75 });
  expect(pulled(LABEL, rect(400, 400, 200, 150)).tall).toBeUndefined();
  expect(pulled(CARD, rect(410.5, 400, 200.5, 100.5)).size).toBeUndefined();
});

test("keys say which item they are of", () => {
  expect(itemOfKey(itemKey("badge-2"))).toBe("badge-2");
  expect(itemOfKey("hook.headline")).toBeNull();
});
