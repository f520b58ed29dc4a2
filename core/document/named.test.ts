import { tuneLanes } from "./lanes";
import { mediaFill } from "./shots";
import { CLIP_ID, PICTURE_ID, PRODUCT_ID, testDocument } from "../testing/promotions";
import { newlyNamed, thingsNamed } from "./named";

const filled = testDocument({
  lanes: tuneLanes(CLIP_ID),
  fills: {
    "hook.headline": { kind: "words", text: "Potting week" },
    "hook.picture": mediaFill(PICTURE_ID),
    "list.products": { kind: "products", products: [PRODUCT_ID, CLIP_ID] },
  },
});

test("everything that a promotion names is found, with the slot that names it", () => {
  const { brand, product, offer } = filled;
  expect(thingsNamed(filled)).toEqual([
    { kind: "brand", id: brand },
    { kind: "product", id: product },
    { kind: "offer", id: offer },
    { kind: "media", id: CLIP_ID },
    { kind: "media", id: PICTURE_ID, slot: "hook.picture" },
    { kind: "product", id: PRODUCT_ID, slot: "list.products" },
    { kind: "product", id: CLIP_ID, slot: "list.products" },
  ]);
  expect(thingsNamed(testDocument({ product: null, offer: null })).map(({ kind }) => kind)).toEqual(["brand"]);
});

test("what was named before is not new, wherever it moves; the same id as another kind of thing is", () => {
  const moved = { ...filled, fills: { "offer.picture": mediaFill(PICTURE_ID) } };
  expect(newlyNamed(filled, moved)).toEqual([]);
  expect(newlyNamed(testDocument(), filled).map(({ kind, id }) => [kind, id])).toEqual([
    ["media", CLIP_ID],
    ["media", PICTURE_ID],
    ["product", CLIP_ID],
  ]);
});
