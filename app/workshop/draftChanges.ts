import { millis } from "../../core/units";
import { type Arrangement } from "../../core/document/arrangements";
import { freeId } from "../../core/document/sceneIds";
import { type SceneTemplate, type Slot, type SlotKind } from "../../core/document/sceneTemplate";
import { type Template } from "../../core/document/template";
import { type Rect } from "../../core/geometry/rect";
import { type FormatName, isFormatName } from "../../core/placement/formats";
import { MOST_SLOTS, MOST_TEMPLATE_SCENES } from "../../core/document/templateSchema";
import { by, offer, picture, products, scene, words } from "../../core/templates/build";

/** Changes of a draft, as functions from one document to the next. */

export const withScene = (
  template: Template,
  id: string,
  change: (scene: SceneTemplate) => SceneTemplate,
): Template => ({ ...template, scenes: template.scenes.map((one) => (one.id === id ? change(one) : one)) });

export const withSlot = (scene: SceneTemplate, id: string, change: (slot: Slot) => Slot): SceneTemplate => ({
  ...scene,
  slots: scene.slots.map((slot) => (slot.id === id ? change(slot) : slot)),
});

export const canAddScene = ({ scenes }: Template): boolean => scenes.length < MOST_TEMPLATE_SCENES;
export const canAddSlot = ({ slots }: SceneTemplate): boolean => slots.length < MOST_SLOTS;

/** A new scene in front of the last, which is the sign-off as a rule. */
export function addScene(template: Template): Template {
  const id = freeId("scene-1", new Set(template.scenes.map((one) => one.id)));
  const added = scene(id, `Scene ${template.scenes.length}`, {
    length: 3000,
    arrangement: by("split"),
    slots: [words("headline", "name", { label: "Headline", fallback: "Say it here" }), picture("picture")],
    overlap: 400,
  });
  return { ...template, scenes: [...template.scenes.slice(0, -1), added, ...template.scenes.slice(-1)] };
}

export const removeScene = (template: Template, id: string): Template => ({
  ...template,
  scenes: template.scenes.filter((one) => one.id !== id),
});

export function moveScene(template: Template, id: string, by: -1 | 1): Template {
  const index = template.scenes.findIndex((one) => one.id === id);
  const others = template.scenes.filter((one) => one.id !== id);
  const moved = template.scenes[index];
  return moved
    ? { ...template, scenes: [...others.slice(0, index + by), moved, ...others.slice(index + by)] }
    : template;
}

/** A transition takes at most half a scene, so it gets shorter with it. */
export const withLength = (scene: SceneTemplate, length: SceneTemplate["length"]): SceneTemplate => ({
  ...scene,
  length,
  overlap: millis(Math.min(scene.overlap, Math.floor(length / 2))),
});

export function addSlot(scene: SceneTemplate, kind: SlotKind): SceneTemplate {
  const ids = new Set(scene.slots.map(({ id }) => id));
  const made: Readonly<Record<SlotKind, () => Slot>> = {
    words: () => words(freeId("words-1", ids), "line", { required: false, fallback: "A line" }),
    media: () => picture(freeId("picture-1", ids), { from: "nothing" }),
    offer: () => ({ ...offer(), id: freeId("offer-1", ids) }),
    products: () => ({ ...products(6), id: freeId("products-1", ids) }),
  };
  return { ...scene, slots: [...scene.slots, made[kind]()] };
}

/** Places that were set by hand belong to the arrangement they were set in. */
export const withArrangement = (scene: SceneTemplate, arrangement: Arrangement): SceneTemplate => ({
  ...scene,
  arrangement,
  places: arrangement.name === scene.arrangement.name ? scene.places : {},
});

export function removeSlot(scene: SceneTemplate, id: string): SceneTemplate {
  const without = Object.keys(scene.places)
    .filter(isFormatName)
    .reduce((one, format) => withPlace(one, id, format, null), scene);
  return { ...without, slots: scene.slots.filter((slot) => slot.id !== id) };
}

/** A slot's place in a format set by hand; `null` gives it back to the arrangement. */
export function withPlace(scene: SceneTemplate, slot: string, format: FormatName, place: Rect | null): SceneTemplate {
  const others = Object.fromEntries(Object.entries(scene.places[format] ?? {}).filter(([id]) => id !== slot));
  const own = place === null ? others : { ...others, [slot]: place };
  const formats = Object.fromEntries(Object.entries(scene.places).filter(([name]) => name !== format));
  return { ...scene, places: Object.keys(own).length > 0 ? { ...formats, [format]: own } : formats };
}
