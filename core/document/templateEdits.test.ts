import fc from "fast-check";
import { EMPTY_TEMPLATE } from "../templates/empty";
import { ONE_OFFER } from "../templates/priceDrops";
import { SHIPPED_TEMPLATES } from "../templates/shipped";
import { rect } from "../geometry/rect";
import { millis } from "../units";
import { type SceneTemplate } from "./sceneTemplate";
import { type Template } from "./template";
import { listedTemplate, templateDocument } from "./templateDocument";
import { applyTemplateEdit, inverseTemplateEdit, templateEditTo } from "./templateEdits";
import { readTemplateDocument } from "./templateSchema";

const plain = <Value>(value: Value): Value => JSON.parse(JSON.stringify(value)) as Value;
const kept = (template: Template) => readTemplateDocument(plain(templateDocument(template)));
const paths = (before: Template, after: Template): string[] =>
  templateEditTo(kept(before), after, "Change")?.patch.map(({ op, path }) => `${op} ${path}`) ?? [];
const onScene = (template: Template, id: string, change: (scene: SceneTemplate) => SceneTemplate): Template => ({
  ...template,
  scenes: template.scenes.map((scene) => (scene.id === id ? change(scene) : scene)),
});

test("a change is as small as what was changed", () => {
  expect(paths(ONE_OFFER, ONE_OFFER)).toEqual([]);
  expect(paths(ONE_OFFER, { ...ONE_OFFER, name: "Other" })).toEqual(["replace /name"]);
  const relabelled = onScene(ONE_OFFER, "hook", (scene) => ({
    ...scene,
    slots: scene.slots.map((slot) => (slot.id === "headline" ? { ...slot, label: "Big" } : slot)),
  }));
  expect(paths(ONE_OFFER, relabelled)).toEqual(["replace /scenes/hook/slots/headline/label"]);
  const placed = onScene(ONE_OFFER, "offer", (scene) => ({
    ...scene,
    places: { square: { terms: rect(10, 20, 300, 90) } },
  }));
  expect(paths(ONE_OFFER, placed)).toEqual(["add /scenes/offer/places/square/terms"]);
  expect(paths(placed, ONE_OFFER)).toEqual(["remove /scenes/offer/places/square/terms"]);
});

test("moving one of many changes the place of that one alone", () => {
  const [first, ...others] = ONE_OFFER.scenes;
  expect(paths(ONE_OFFER, { ...ONE_OFFER, scenes: first ? [...others, first] : [] })).toEqual([
    "replace /scenes/hook/order",
  ]);
});

test("a scene's members that another person made stay, whatever was set beside them in the same moment", () => {
  const before = kept(ONE_OFFER);
  const place = (id: string) =>
    onScene(ONE_OFFER, "offer", (scene) => ({ ...scene, places: { square: { [id]: rect(10, 20, 300, 90) } } }));
  const after = ["terms", "picture"].reduce((document, id) => {
    const edit = templateEditTo(before, place(id), "Place");
    return edit ? applyTemplateEdit(document, edit) : document;
  }, before);
  expect(Object.keys(after.scenes["offer"]?.places["square"] ?? {})).toEqual(["picture", "terms"]);
});

test("an edit may not make something else than a template of it", () => {
  const document = kept(ONE_OFFER);
  const put = (path: string, value: unknown) =>
    applyTemplateEdit(document, { label: "", patch: [{ op: "replace", path, value }] });
  expect(() => put("/scenes", {})).toThrow("can't be changed as a whole");
  expect(() => put("/version", 9)).toThrow("can't be changed as a whole");
  expect(() => put("/scenes/hook/length", 100)).toThrow("At least 500 ms.");
  expect(() => put("/scenes/hook/slots/headline/label", " ")).toThrow("must not be blank");
  expect(() => put("/scenes/gone/length", 1000)).toThrow("There is no “/scenes/gone” any more.");
  expect(() => put("/surprise", 1)).toThrow();
});

const step: fc.Arbitrary<(before: Template) => Template> = fc.oneof(
  fc.nat().map((pick) => (before: Template) => {
    const at = pick % before.scenes.length;
    const scene = before.scenes[at];
    return scene ? { ...before, scenes: [...before.scenes.filter((one) => one !== scene), scene] } : before;
  }),
  fc.tuple(fc.nat(), fc.integer({ min: 6000, max: 9000 })).map(
    ([pick, length]) =>
      (before: Template) =>
        onScene(before, before.scenes[pick % before.scenes.length]?.id ?? "", (scene) => ({
          ...scene,
          length: millis(length),
        })),
  ),
  fc.nat().map((pick) => (before: Template) => {
    const own = before.scenes[pick % before.scenes.length];
    return before.scenes.length > 1 ? { ...before, scenes: before.scenes.filter((one) => one !== own) } : before;
  }),
  fc.tuple(fc.nat(), fc.nat()).map(
    ([pick, which]) =>
      (before: Template) =>
        onScene(before, before.scenes[pick % before.scenes.length]?.id ?? "", (scene) => ({
          ...scene,
          slots: scene.slots.filter((_, index) => index !== which % Math.max(1, scene.slots.length)),
        })),
  ),
  fc.constantFrom("square", "vertical", "5x7").map((format) => (before: Template) => ({
    ...before,
    formats: [format, ...before.formats.filter((one) => one !== format)] as Template["formats"],
  })),
);

test("whatever is changed: the edit leads there, its inverse back to the same bytes, and what it says can be kept", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(EMPTY_TEMPLATE, ...SHIPPED_TEMPLATES),
      fc.array(step, { maxLength: 12 }),
      (start, steps) => {
        steps.reduce(
          ({ template, document }, change) => {
            const next = change(template);
            const edit = templateEditTo(document, next, "Change");
            if (!edit) return { template, document };
            const after = applyTemplateEdit(document, edit);
            expect(listedTemplate(after)).toEqual(plain(next));
            expect(readTemplateDocument(plain(after))).toEqual(after);
            const back = applyTemplateEdit(after, inverseTemplateEdit(document, edit));
            expect(JSON.stringify(back)).toBe(JSON.stringify(document));
            return { template: next, document: after };
          },
          { template: start, document: kept(start) },
        );
      },
    ),
    { numRuns: 60 },
  );
});
