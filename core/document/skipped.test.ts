import { mediaFill } from "./shots";
import { adjust, applyEdit, fillSlot, putItem } from "./edits";
import { asTemplate } from "./asTemplate";
import { designOf, isSkipped } from "./design";
import { type Promotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { scenesInOrder } from "./sceneList";
import { lockProblem } from "./locks";
import { ONE_OFFER } from "../templates/priceDrops";
import { TRIPLE_STACK } from "../templates/proofs";
import { SHIPPED_BY_REF } from "../templates/shipped";
import { PICTURE_ID, promotionOf, testDocument, testFacts } from "../testing/promotions";
import { withAllows } from "../testing/withAllows";

const skip = (document: Promotion, ...scenes: readonly string[]): Promotion =>
  scenes.reduce((made, scene) => applyEdit(made, adjust("skipped", true, { target: { scene } })), document);
const shown = (document: Promotion): string[] => designOf(document, SHIPPED_BY_REF).scenes.map(({ id }) => id);

test("a skipped scene is not shown and takes no time, and stays among the scenes with all that is in it", () => {
  const document = applyEdit(testDocument(), fillSlot("product.name", { kind: "words", text: "Mine" }));
  const without = skip(document, "product");
  expect(shown(document)).toContain("product");
  expect(shown(without)).toEqual(shown(document).filter((id) => id !== "product"));
  expect(scenesInOrder(without)).toEqual(scenesInOrder(document));
  const [all, less] = [document, without].map((one) => resolvePromotion(one, testFacts()).length);
  // A scene of 4 s whose transition took half a second.
  expect((all ?? 0) - (less ?? 0)).toBe(3500);
  const back = applyEdit(without, adjust("skipped", null, { target: { scene: "product" } }));
  expect(back).toEqual(document);
});

test("where all scenes are skipped all are shown: a promotion without frames can't be rendered", () => {
  const document = testDocument();
  const ids = scenesInOrder(document).map(({ id }) => id);
  expect(shown(skip(document, ...ids))).toEqual(ids);
  expect(shown(skip(document, ...ids.slice(1)))).toEqual(ids.slice(0, 1));
});

test("what is seen elsewhere of a skipped scene's picture is seen still; an item over it lies over the scene it has left", () => {
  const strips = skip(applyEdit(promotionOf(TRIPLE_STACK), fillSlot("strips.second", mediaFill(PICTURE_ID))), "strips");
  const { scenes } = resolvePromotion(strips, testFacts());
  expect(scenes.find(({ id }) => id === "second")?.shots["picture"]?.[0]?.media.id).toBe(PICTURE_ID);
  const [first = "", second = ""] = scenesInOrder(testDocument()).map(({ id }) => id);
  const marked = applyEdit(testDocument(), putItem("line", { kind: "line", order: "a0", from: first, to: second }));
  const [span] = resolvePromotion(skip(marked, second), testFacts()).items;
  expect(span?.from).toBe(0);
  expect(resolvePromotion(skip(marked, first, second), testFacts()).items).toEqual([]);
});

test("a template that is made of it has the scenes that are shown, and takes no picture from others", () => {
  const strips = skip(promotionOf(TRIPLE_STACK), "strips");
  const made = asTemplate(strips, testFacts(), {
    slug: "mine",
    name: "Mine",
    purpose: "strips",
    about: "",
    fixed: new Set(),
  });
  expect(made.scenes.map(({ id }) => id)).toEqual(["first", "second", "third", "sign-off"]);
  const sources = made.scenes.flatMap(({ slots }) => slots.flatMap((slot) => (slot.kind === "media" ? slot.from : [])));
  expect(sources.some((from) => from.startsWith("slot:strips"))).toBe(false);
});

test("a scene that may not be taken out may not be skipped either", () => {
  const templates = withAllows({ scene: "hook", allows: { remove: false } });
  const document = promotionOf(ONE_OFFER);
  expect(lockProblem(document, skip(document, "hook"), templates)).toMatch(
    /^The skipping of scene “Headline” is locked/,
  );
  const [hook] = scenesInOrder(document);
  expect(hook && isSkipped(skip(document, "hook"), templates, hook)).toBe(true);
});
