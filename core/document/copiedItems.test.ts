import { testDocument } from "../testing/promotions";
import { SHIPPED_BY_REF, shippedRef } from "../templates/shipped";
import { ONE_OFFER } from "../templates/priceDrops";
import { adjust, applyEdit, putItem } from "./edits";
import { promotionProblem } from "./locks";
import { newPromotion } from "./newPromotion";
import { type Item } from "./items";
import { membersInOrder } from "./ordered";
import { type Promotion, readPromotion } from "./promotion";
import { repeatScene, withScenes } from "./restructure";
import { type Template } from "./template";
import { templateKey } from "./facts";
import { designOf } from "./design";

const badge = { kind: "sticker", sticker: "burst", order: "a0", from: "hook", to: "hook" } as const;
const title = { kind: "words", role: "headline", text: "All week", order: "a1", from: "hook", to: "offer" } as const;

function withItems(): Promotion {
  return [
    putItem("badge", badge),
    putItem("title", title),
    adjust("angle", 12, { target: { item: "badge" } }),
    adjust("size", 0.4, { target: { item: "badge" }, layer: "scene@format", format: "square" }),
  ].reduce(applyEdit, testDocument());
}

test("a repeated scene has the items that lie over it alone, with what was set for them, over all others", () => {
  const document = withItems();
  const after = readPromotion(repeatScene(document, "hook"));
  expect(membersInOrder<string, Item>(after.items).map(({ id, from, to }) => [id, from, to])).toEqual([
    ["badge", "hook", "hook"],
    ["title", "hook", "offer"],
    ["badge-2", "hook-2", "hook-2"],
  ]);
  expect(after.adjustments["item:badge-2"]).toEqual({ angle: 12 });
  expect(after.adjustments["item:badge-2@square"]).toEqual({ size: 0.4 });
  expect(after.items["badge"]).toEqual(badge);
});

const TEMPLATE: Template = {
  ...ONE_OFFER,
  slug: "with-badge",
  items: { badge, title },
  adjustments: { "item:badge": { angle: 7 }, "item:title": { tall: 2 }, "hook@square": { ground: "sale" } },
};
const ref = shippedRef(TEMPLATE);
const templates = { ...SHIPPED_BY_REF, [templateKey(ref)]: TEMPLATE };

test("a new promotion has the items of its template as its own; what their kind does not have is left out", () => {
  const made = readPromotion(newPromotion(ref, TEMPLATE, { name: "New", brand: testDocument().brand }));
  expect(Object.keys(made.items)).toEqual(["badge", "title"]);
  expect(made.adjustments).toEqual({ "item:badge": { angle: 7 } });
  expect(promotionProblem(made, templates)).toBeNull();
});

test("a scene that is put in brings the items that lie over it alone, under free ids", () => {
  const before = withItems();
  const after = withScenes(before, { ref, template: TEMPLATE }, ["hook"], {
    at: 0,
    media: [],
    hasProductPicture: true,
  });
  expect(Object.keys(after.items)).toEqual(["badge", "badge-2", "title"]);
  expect(after.items["badge-2"]).toMatchObject({ from: "hook-2", to: "hook-2" });
  expect(after.adjustments["item:badge-2"]).toEqual({ angle: 7 });
});

test("what a template sets in one format holds there until the promotion sets something nearer", () => {
  const made = newPromotion(ref, TEMPLATE, { name: "New", brand: testDocument().brand });
  const ground = (document: Promotion, format: "square" | "vertical") =>
    designOf(document, templates, format).scenes[0]?.ground;
  expect([ground(made, "square"), ground(made, "vertical")]).toEqual(["sale", ONE_OFFER.scenes[0]?.ground]);
  const own = applyEdit(made, adjust("ground", "ink", { target: { scene: "hook" } }));
  expect([ground(own, "square"), ground(own, "vertical")]).toEqual(["ink", "ink"]);
});
