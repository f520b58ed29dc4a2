import { SHIPPED_BY_REF, shippedRef } from "../templates/shipped";
import { ONE_OFFER, PRICE_ON_A_CARD } from "../templates/priceDrops";
import { testDocument } from "../testing/promotions";
import { millis } from "../units";
import { lockProblem, promotionProblem } from "./locks";
import { adjust, applyEdit, takeOutScene } from "./edits";
import { type Promotion } from "./promotion";
import { scenesInOrder } from "./sceneList";
import { insertScenes, moveToTemplate, repeatScene } from "./restructure";
import { type SceneTemplate } from "./sceneTemplate";
import { type Template } from "./template";

const first = shippedRef(ONE_OFFER);
const second = { slug: first.slug, edition: first.edition + 1 };
const withEdition = (template: Template) => ({ ...SHIPPED_BY_REF, [`${second.slug}@${second.edition}`]: template });
const added: SceneTemplate = { ...(ONE_OFFER.scenes[0] as SceneTemplate), id: "extra", name: "Extra" };
const edition = (change: Partial<Template>): Template => ({ ...ONE_OFFER, ...change });

function moved(document: Promotion, template: Template): Promotion {
  const after = moveToTemplate(document, SHIPPED_BY_REF, second, template).document;
  expect(promotionProblem(after, withEdition(template))).toBeNull();
  expect(lockProblem(document, after, withEdition(template))).toBeNull();
  return after;
}
const idsOf = (document: Promotion): string[] => scenesInOrder(document).map(({ id }) => id);
const editionsOf = (document: Promotion): number[] => [
  ...new Set(
    scenesInOrder(document)
      .filter(({ from }) => from.slug === first.slug)
      .map(({ from }) => from.edition),
  ),
];

test("a scene that is new comes in where the edition has it; all others move along with their fills", () => {
  const document = testDocument({ fills: { "hook.headline": { kind: "words", text: "Mine" } } });
  const [hook, ...others] = ONE_OFFER.scenes as [SceneTemplate, ...SceneTemplate[]];
  const after = moved(document, edition({ scenes: [hook, added, ...others] }));
  expect(idsOf(after)).toEqual([hook.id, "extra", ...others.map(({ id }) => id)]);
  expect(editionsOf(after)).toEqual([second.edition]);
  expect(after.fills).toEqual(document.fills);
});

test("inserted, repeated, changed and taken-out scenes stay as the filler made them", () => {
  const card = shippedRef(PRICE_ON_A_CARD);
  const plain = testDocument();
  const cardScene = PRICE_ON_A_CARD.scenes[0]?.id ?? "";
  const inserted = { ...plain, scenes: insertScenes(plain, card, [cardScene], 1) };
  const mine = [
    takeOutScene("product"),
    adjust("ground", "primary", { target: { scene: "hook" } }),
    adjust("length", millis(5000), { target: { scene: "hook" } }),
    adjust("color", "accent", { target: { scene: "hook", slot: "headline" } }),
    adjust("zoom", false, { target: { scene: "" }, layer: "@all" }),
  ].reduce(applyEdit, repeatScene(inserted, "hook"));
  const after = moved(
    mine,
    edition({ scenes: [...ONE_OFFER.scenes.slice(0, 3), added, ...ONE_OFFER.scenes.slice(3)] }),
  );
  expect(idsOf(after).filter((id) => id !== "extra")).toEqual(idsOf(mine));
  expect(idsOf(after)).toContain("extra");
  expect(after.scenes["hook"]).toMatchObject({ from: second });
  expect(after.adjustments).toEqual({ hook: { ground: "primary", length: 5000 }, "@all": { zoom: false } });
  expect(scenesInOrder(after).find(({ from }) => from.slug === card.slug)?.from.edition).toBe(card.edition);
});

test("what the new edition locks goes back to it, and what it has no scene for is kept aside", () => {
  const document = testDocument({ fills: { "product.line": { kind: "words", text: "A line of mine" } } });
  const changed = applyEdit(document, adjust("length", millis(5000), { target: { scene: "hook" } }));
  const scenes = ONE_OFFER.scenes
    .filter(({ id }) => id !== "product")
    .map((scene) => ({ ...scene, allows: { ...scene.allows, timing: false } }));
  const after = moved(changed, edition({ scenes }));
  expect(after.adjustments).toEqual({});
  expect(idsOf(after)).not.toContain("product");
  expect(Object.values(after.spare).map(({ fill }) => fill)).toEqual([{ kind: "words", text: "A line of mine" }]);
});

test("a new scene never takes the address of one that is there", () => {
  const plain = testDocument();
  const own: Promotion = {
    ...plain,
    scenes: insertScenes(plain, shippedRef(PRICE_ON_A_CARD), [PRICE_ON_A_CARD.scenes[0]?.id ?? ""], 1),
  };
  const clash = { ...added, id: idsOf(own)[1] ?? "" };
  const after = moved(own, edition({ scenes: [...ONE_OFFER.scenes, clash] }));
  expect(idsOf(after)).toHaveLength(idsOf(own).length + 1);
});

test("two new scenes never get one address, even where the second has the name the first would be given", () => {
  const own = {
    ...testDocument(),
    fills: { "extra.headline": { kind: "words", text: "Of a scene that was taken out" } },
  } satisfies Promotion;
  const after = moved(own, edition({ scenes: [...ONE_OFFER.scenes, added, { ...added, id: "extra-2" }] }));
  expect(new Set(idsOf(after)).size).toBe(ONE_OFFER.scenes.length + 2);
});
