import fc from "fast-check";
import { templateDocument } from "../../core/document/templateDocument";
import { readTemplate } from "../../core/document/templateSchema";
import { rect } from "../../core/geometry/rect";
import { USUAL_FORMATS } from "../../core/placement/formats";
import { by } from "../../core/templates/build";
import { EMPTY_TEMPLATE } from "../../core/templates/empty";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { SHIPPED_TEMPLATES } from "../../core/templates/shipped";
import { type SceneTemplate, type SlotKind } from "../../core/document/sceneTemplate";
import { type Template } from "../../core/document/template";
import { millis } from "../../core/units";
import {
  addScene,
  addSlot,
  canAddScene,
  canAddSlot,
  moveScene,
  removeScene,
  removeSlot,
  withArrangement,
  withLength,
  withPlace,
  withScene,
} from "./draftChanges";

const [hook] = ONE_OFFER.scenes as [SceneTemplate, ...SceneTemplate[]];
const [slot] = hook.slots;
const PLACE = rect(100, 200, 300, 120);

test("a place is set in one format, and given back without a trace", () => {
  const placed = withPlace(hook, slot?.id ?? "", "square", PLACE);
  expect(placed.places).toEqual({ square: { [slot?.id ?? ""]: PLACE } });
  expect(withPlace(placed, slot?.id ?? "", "square", null)).toEqual(hook);
  expect(withPlace(placed, slot?.id ?? "", "vertical", null)).toEqual(placed);
});

test("a slot that is taken out takes its places with it", () => {
  const placed = USUAL_FORMATS.reduce((scene, format) => withPlace(scene, slot?.id ?? "", format, PLACE), hook);
  const without = removeSlot(placed, slot?.id ?? "");
  expect(without.places).toEqual({});
  expect(without.slots).toEqual(hook.slots.slice(1));
});

test("places stay while an arrangement's parameters change, and go with the arrangement", () => {
  const placed = withPlace({ ...hook, arrangement: by("split") }, slot?.id ?? "", "square", PLACE);
  expect(withArrangement(placed, by("split", { pictureFirst: false })).places).toEqual(placed.places);
  expect(withArrangement(placed, by("quote")).places).toEqual({});
});

test("a scene made shorter has a transition of at most half of it", () =>
  expect(withLength({ ...hook, overlap: millis(2000), length: millis(5000) }, millis(900)).overlap).toBe(450));

test("whatever is done to a draft, it can be saved", () => {
  const change: fc.Arbitrary<(before: Template) => Template> = fc.oneof(
    fc.constant((before: Template) => (canAddScene(before) ? addScene(before) : before)),
    fc
      .nat()
      .map(
        (pick) => (before: Template) =>
          before.scenes.length > 1 ? removeScene(before, before.scenes[pick % before.scenes.length]?.id ?? "") : before,
      ),
    fc.tuple(fc.nat(), fc.constantFrom(-1 as const, 1 as const)).map(([pick, way]) => (before: Template) => {
      const at = pick % before.scenes.length;
      return at + way < 0 || at + way >= before.scenes.length
        ? before
        : moveScene(before, before.scenes[at]?.id ?? "", way);
    }),
    fc.tuple(fc.nat(), fc.constantFrom<SlotKind>("words", "media", "offer", "products")).map(
      ([pick, kind]) =>
        (before: Template) =>
          withScene(before, before.scenes[pick % before.scenes.length]?.id ?? "", (scene) =>
            canAddSlot(scene) ? addSlot(scene, kind) : scene,
          ),
    ),
    fc.tuple(fc.nat(), fc.nat(), fc.constantFrom(...USUAL_FORMATS)).map(
      ([pick, which, format]) =>
        (before: Template) =>
          withScene(before, before.scenes[pick % before.scenes.length]?.id ?? "", (scene) =>
            scene.slots.length > 0
              ? withPlace(scene, scene.slots[which % scene.slots.length]?.id ?? "", format, PLACE)
              : scene,
          ),
    ),
  );
  fc.assert(
    fc.property(
      fc.constantFrom(EMPTY_TEMPLATE, ...SHIPPED_TEMPLATES),
      fc.array(change, { maxLength: 30 }),
      (start, changes) => {
        const draft = changes.reduce((before, one) => one(before), start);
        const document: unknown = JSON.parse(JSON.stringify(templateDocument(draft)));
        expect(readTemplate(document)).toEqual(JSON.parse(JSON.stringify(draft)));
      },
    ),
  );
});
