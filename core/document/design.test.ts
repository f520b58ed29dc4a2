import fc from "fast-check";
import { newArrangement } from "./arrangements";
import { RESTING } from "../motion/pictureMotion";
import { USUAL_MOVEMENT } from "../motion/movement";
import { rect } from "../geometry/rect";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_BY_REF, SHIPPED_TEMPLATES, shippedRef } from "../templates/shipped";
import { promotionOf, testDocument } from "../testing/promotions";
import { millis } from "../units";
import { designOf, findPromotionSlot, scenesOf, sourceSlot, templateOf } from "./design";
import { applyEdit, takeOutScene } from "./edits";
import { type Adjustment } from "./fields";
import { type Promotion } from "./promotion";
import { scenesInOrder } from "./sceneList";
import { repeatScene } from "./restructure";
import { type SceneTemplate } from "./sceneTemplate";

const PLACE = rect(100, 200, 300, 120);
const [hook] = ONE_OFFER.scenes as [SceneTemplate, ...SceneTemplate[]];
/** The templates with the first scene of “One product, one offer” changed. */
const withHook = (change: Partial<SceneTemplate>) => ({
  ...SHIPPED_BY_REF,
  [`${ONE_OFFER.slug}@${shippedRef(ONE_OFFER).edition}`]: {
    ...ONE_OFFER,
    scenes: [{ ...hook, ...change }, ...ONE_OFFER.scenes.slice(1)],
  },
});
const designed = (document: Promotion, templates = SHIPPED_BY_REF): SceneTemplate =>
  designOf(document, templates).scenes[0] as SceneTemplate;
const withHookSet = (hookSet: Adjustment): Promotion => testDocument({ adjustments: { hook: hookSet } });

test("an untouched promotion has its template's scenes", () => {
  for (const template of SHIPPED_TEMPLATES) {
    const { scenes } = designOf(promotionOf(template), SHIPPED_BY_REF);
    const { style } = template;
    expect(scenes).toEqual(
      template.scenes.map((scene, index) => ({
        ...scene,
        style,
        framings: {},
        looks: {},
        times: {},
        clipLevels: {},
        marks: {},
        movement: USUAL_MOVEMENT,
        behindWords: {},
        goesOn: false,
        depth: 0,
        pictures: RESTING,
        join: { kind: style.transition, color: "primary", angle: 0, ease: "gentle" },
        overlap: scenes[index]?.overlap,
      })),
    );
  }
});

test("a scene's own arrangement, ground and length, and a slot's colour, absence and places, win over the template's", () => {
  const scene = designed(
    withHookSet({ arrangement: newArrangement("quote"), ground: "primary", length: millis(4321) }),
  );
  expect(scene).toMatchObject({ arrangement: { name: "quote" }, ground: "primary", length: 4321 });
  const adjustments = { "hook.headline": { color: "accent" }, "hook.headline@square": { place: PLACE } } as const;
  const changed = designed(testDocument({ adjustments }));
  expect(changed.slots.find(({ id }) => id === "headline")).toMatchObject({ color: "accent" });
  expect(changed.places).toEqual({ square: { headline: PLACE } });
  expect(
    designed(testDocument({ adjustments: { "hook.headline": { hidden: true } } })).slots.map(({ id }) => id),
  ).not.toContain("headline");
});

test("places of the template hold for the arrangement they were set in; those of the filler for any", () => {
  const templates = withHook({ places: { square: { headline: PLACE } } });
  expect(designed(testDocument(), templates).places).toEqual({ square: { headline: PLACE } });
  expect(designed(withHookSet({ arrangement: { ...hook.arrangement } }), templates).places).toEqual({
    square: { headline: PLACE },
  });
  expect(designed(withHookSet({ arrangement: newArrangement("quote") }), templates).places).toEqual({});
  const mine = testDocument({
    adjustments: { hook: { arrangement: newArrangement("quote") }, "hook.headline@vertical": { place: PLACE } },
  });
  expect(designed(mine, templates).places).toEqual({ vertical: { headline: PLACE } });
});

test("however long scenes are made, a transition takes at most half of either, and the first has none", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...SHIPPED_TEMPLATES),
      fc.array(fc.integer({ min: 500, max: 60_000 }), { minLength: 8, maxLength: 8 }),
      (template, lengths) => {
        const plain = promotionOf(template);
        const { scenes } = designOf(
          {
            ...plain,
            adjustments: Object.fromEntries(
              Object.keys(plain.scenes).map((id, index) => [
                id,
                { length: millis(lengths[index % lengths.length] ?? 500) },
              ]),
            ),
          },
          SHIPPED_BY_REF,
        );
        expect(scenes[0]?.overlap).toBe(0);
        scenes.forEach(({ overlap, length }, index) => {
          expect(overlap * 2).toBeLessThanOrEqual(length);
          if (index > 0) expect(overlap * 2).toBeLessThanOrEqual(scenes[index - 1]?.length ?? 0);
        });
      },
    ),
  );
});

test("slots are found by the promotion's own addresses, of repeated scenes as well", () => {
  const document = repeatScene(testDocument(), "hook");
  const copy = scenesInOrder(document)[1]?.id ?? "";
  expect(copy).toBe("hook-2");
  expect(findPromotionSlot(document, SHIPPED_BY_REF, `${copy}.headline`)).toMatchObject({
    slot: { id: "headline" },
    scene: { id: copy },
  });
  expect(findPromotionSlot(document, SHIPPED_BY_REF, `${copy}.nothing`)).toBeNull();
  expect(findPromotionSlot(document, SHIPPED_BY_REF, "nowhere.headline")).toBeNull();
});

test("a picture that comes from another slot is found where that scene is, and not where it was taken out", () => {
  let found = 0;
  for (const template of SHIPPED_TEMPLATES) {
    const document = promotionOf(template);
    const { scenes } = designOf(document, SHIPPED_BY_REF);
    for (const scene of scenes)
      for (const slot of scene.slots) {
        if (slot.kind !== "media" || !slot.from.startsWith("slot:")) continue;
        const source = sourceSlot(document, SHIPPED_BY_REF, scene, slot);
        expect(`slot:${source?.scene.id ?? ""}.${source?.slot.id ?? ""}`).toBe(slot.from);
        const without = applyEdit(document, takeOutScene(source?.scene.id ?? ""));
        expect(sourceSlot(without, SHIPPED_BY_REF, scene, slot)).toBeNull();
        found++;
      }
  }
  expect(found).toBeGreaterThan(0);
});

test("what is not there is named", () => {
  const ref = { slug: "no-such", edition: 7 };
  expect(() => templateOf(SHIPPED_BY_REF, ref)).toThrow("no template “no-such” in edition 7");
  expect(() =>
    designed(
      testDocument({ scenes: { hook: { order: "a0", from: { ...shippedRef(ONE_OFFER), scene: "no-scene" } } } }),
    ),
  ).toThrow("no scene “no-scene”");
  expect(scenesInOrder({ scenes: scenesOf(shippedRef(ONE_OFFER), ONE_OFFER) }).map(({ from }) => from.scene)).toEqual(
    ONE_OFFER.scenes.map(({ id }) => id),
  );
});
