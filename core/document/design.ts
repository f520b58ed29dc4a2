import { millis } from "../units";
import { type TemplatesByRef, templateKey } from "./facts";
import { type Promotion, type PromotionScene, type TemplateRef } from "./promotion";
import {
  type FoundSlot,
  type MediaSlot,
  type SceneTemplate,
  type Slot,
  type Template,
  findSlot,
  slotKey,
} from "./template";

/** A promotion's scenes as they are designed: each template's scene under the promotion's own id, with what was changed. */
export interface Design {
  readonly base: Template;
  readonly scenes: readonly SceneTemplate[];
}

/** A template of a promotion. Throws, naming it, when it is not among those given. */
export function templateOf(templates: TemplatesByRef, ref: TemplateRef): Template {
  const found = templates[templateKey(ref)];
  if (!found) throw new RangeError(`There is no template “${ref.slug}” in edition ${ref.edition}.`);
  return found;
}

/** The template's scene that a promotion's scene comes from. Throws, naming both, when there is none. */
export function sceneOrigin(templates: TemplatesByRef, { from }: PromotionScene): SceneTemplate {
  const found = templateOf(templates, from).scenes.find(({ id }) => id === from.scene);
  if (!found)
    throw new RangeError(`The template “${from.slug}” has no scene “${from.scene}” in edition ${from.edition}.`);
  return found;
}

/** Puts a promotion's design together. Slots that were taken out are left out. */
export function designOf(document: Promotion, templates: TemplatesByRef): Design {
  const scenes = document.scenes.map((scene): SceneTemplate => {
    const origin = sceneOrigin(templates, scene);
    const slots = origin.slots
      .filter((slot) => document.changes[slotKey(scene, slot)]?.hidden !== true)
      .map((slot) => changedSlot(document, scene, slot));
    // Places that a designer set by hand belong to the arrangement they were set in.
    const places = scene.arrangement && scene.arrangement.name !== origin.arrangement.name ? {} : { ...origin.places };
    for (const slot of origin.slots)
      for (const [format, place] of Object.entries(document.changes[slotKey(scene, slot)]?.places ?? {}) as [
        keyof typeof places,
        NonNullable<typeof places.square>[string] | undefined,
      ][])
        if (place) places[format] = { ...places[format], [slot.id]: place };
    return {
      ...origin,
      id: scene.id,
      arrangement: scene.arrangement ?? origin.arrangement,
      ground: scene.ground ?? origin.ground,
      length: scene.length ?? origin.length,
      slots,
      places,
    };
  });
  return {
    base: templateOf(templates, document.template),
    scenes: scenes.map((scene, index) => ({ ...scene, overlap: freeOverlap(scenes, index) })),
  };
}

function changedSlot(document: Promotion, scene: PromotionScene, slot: Slot): Slot {
  const color = document.changes[slotKey(scene, slot)]?.color;
  return color && slot.kind === "words" ? { ...slot, color } : slot;
}

/** A transition takes at most half of either of its scenes, however they were put together. */
function freeOverlap(scenes: readonly SceneTemplate[], index: number): SceneTemplate["overlap"] {
  const [before, scene] = [scenes[index - 1], scenes[index]];
  if (!before || !scene) return millis(0);
  return millis(Math.min(scene.overlap, Math.floor(scene.length / 2), Math.floor(before.length / 2)));
}

/** A slot of a promotion as its template has it, by its address in the promotion; null when there is none. */
export function findPromotionSlot(
  document: Promotion,
  templates: TemplatesByRef,
  key: string,
): (FoundSlot & { readonly own: PromotionScene }) | null {
  const own = document.scenes.find(({ id }) => key.startsWith(`${id}.`));
  if (!own) return null;
  const scene = { ...sceneOrigin(templates, own), id: own.id };
  const found = findSlot([scene], key);
  return found && { ...found, own };
}

/** The slot that a media slot takes its picture from, under the promotion's own ids; null where it has none. */
export function sourceSlot(
  document: Promotion,
  scenes: readonly SceneTemplate[],
  scene: SceneTemplate,
  slot: MediaSlot,
): FoundSlot | null {
  if (!slot.from.startsWith("slot:")) return null;
  const [sceneId = "", slotId = ""] = slot.from.slice("slot:".length).split(".");
  const own = document.scenes.find(({ id }) => id === scene.id);
  const source = document.scenes.find(
    ({ from }) =>
      own !== undefined && from.slug === own.from.slug && from.edition === own.from.edition && from.scene === sceneId,
  );
  return source ? findSlot(scenes, `${source.id}.${slotId}`) : null;
}

/** The scenes of a whole template as a new promotion has them. */
export const scenesOf = (ref: TemplateRef, template: Template): PromotionScene[] =>
  template.scenes.map(({ id }) => ({ id, from: { slug: ref.slug, edition: ref.edition, scene: id } }));
