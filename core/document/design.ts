import { type FormatName, isFormatName } from "../placement/formats";
import { millis } from "../units";
import { type Found, type Target, formatsSet, nearest } from "./adjustments";
import { type TemplatesByRef, templateKey } from "./facts";
import { DESIGN_FIELD_IDS, type DesignFieldId, FIELDS, type FieldId, type ValueOf } from "./fields";
import { type Promotion, type PromotionScene, type TemplateRef } from "./promotion";
import { orderedRecord } from "./ordered";
import { type ListedScene, scenesInOrder } from "./sceneList";
import {
  type FoundSlot,
  type MediaSlot,
  type SceneTemplate,
  type Slot,
  type Template,
  type TemplateStyle,
  findSlot,
} from "./template";

/** A promotion's scenes as they are designed: each template's scene under the promotion's own id, with what was changed. */
export interface Design {
  readonly base: Template;
  readonly scenes: readonly DesignedScene[];
}

export interface DesignedScene extends SceneTemplate {
  /** How it looks and moves; its transition is the one it comes in by. */
  readonly style: TemplateStyle;
}

/** A template of a promotion. Throws, naming it, when it is not among those given. */
export function templateOf(templates: TemplatesByRef, ref: TemplateRef): Template {
  const found = templates[templateKey(ref)];
  if (!found) throw new RangeError(`There is no template “${ref.slug}” in edition ${ref.edition}.`);
  return found;
}

/** The template's scene that a promotion's scene comes from. Throws, naming both, when there is none. */
export function sceneOrigin(templates: TemplatesByRef, { from }: Pick<PromotionScene, "from">): SceneTemplate {
  const found = templateOf(templates, from).scenes.find(({ id }) => id === from.scene);
  if (!found)
    throw new RangeError(`The template “${from.slug}” has no scene “${from.scene}” in edition ${from.edition}.`);
  return found;
}

/** What a value of a scene or slot is, where it comes from, and what may set it. */
export interface Placed {
  readonly origin: SceneTemplate;
  readonly style: TemplateStyle;
  readonly target: Target;
  readonly slot?: Slot | undefined;
  /** Null for what holds in every format. */
  readonly format: FormatName | null;
}

/** Whether the template keeps a field from fillers. */
export const isLocked = (id: FieldId, { origin, slot }: Pick<Placed, "origin" | "slot">): boolean => {
  const field = FIELDS[id];
  if (field.of === "item") return false;
  return field.of === "scene" ? !origin.allows[field.lock] : slot !== undefined && !slot.allows[field.lock];
};

/** A field's value with its source: the nearest layer in which it was set, else the template. */
export function sourced<Id extends DesignFieldId>(
  { adjustments }: Pick<Promotion, "adjustments">,
  id: Id,
  at: Placed,
): Found<ValueOf<Id>> | { readonly value: ValueOf<Id> | undefined; readonly layer: "template" } {
  const { origin, style, target, slot, format } = at;
  const found = nearest(adjustments, id, { target, format, isLocked: isLocked(id, at) });
  if (found) return found;
  // Each entry of the registry gives values of its own field.
  const value = FIELDS[id].from({ scene: origin, style, slot, format }) as ValueOf<Id> | undefined;
  return { value, layer: "template" };
}

/**
 * Puts a promotion's design together, as it is in a format or, for null, as it is where no format differs. Slots that were
 * taken out are left out.
 */
export function designOf(document: Promotion, templates: TemplatesByRef, format: FormatName | null = null): Design {
  const base = templateOf(templates, document.template);
  const scenes = scenesInOrder(document).map((scene) => designedScene(document, templates, { base, scene, format }));
  return {
    base,
    scenes: scenes.map((scene, index) => ({ ...scene, overlap: freeOverlap(scenes, index) })),
  };
}

function designedScene(
  document: Promotion,
  templates: TemplatesByRef,
  { base, scene, format }: { readonly base: Template; readonly scene: ListedScene; readonly format: FormatName | null },
): DesignedScene {
  const origin = sceneOrigin(templates, scene);
  const { style } = base;
  const ofScene = <Id extends DesignFieldId>(id: Id): ValueOf<Id> | undefined =>
    sourced(document, id, { origin, style, target: { scene: scene.id }, format }).value;
  const ofSlot = <Id extends DesignFieldId>(id: Id, slot: Slot, inFormat = format): ValueOf<Id> | undefined =>
    sourced(document, id, { origin, style, target: { scene: scene.id, slot: slot.id }, slot, format: inFormat }).value;
  const arrangement = ofScene("arrangement") ?? origin.arrangement;
  const formats = new Set([...Object.keys(origin.places).filter(isFormatName), ...formatsSet(document.adjustments)]);
  const placed = [...formats].map((name) => {
    const own = origin.slots.flatMap((slot) => {
      const place = ofSlot("place", slot, name);
      // Places that a designer set by hand belong to the arrangement they were set in.
      const isOfOther = arrangement.name !== origin.arrangement.name && place === origin.places[name]?.[slot.id];
      return place && !isOfOther ? [[slot.id, place] as const] : [];
    });
    return [name, Object.fromEntries(own)] as const;
  });
  const places = Object.fromEntries(placed.filter(([, own]) => Object.keys(own).length > 0));
  return {
    ...withSet(origin, ofScene),
    id: scene.id,
    slots: origin.slots
      .filter((slot) => ofSlot("hidden", slot) !== true)
      .map((slot) => (slot.kind === "words" ? { ...slot, color: ofSlot("color", slot) } : slot)),
    places,
    style: withSet(style, ofScene),
  };
}

/** A scene or a style with its values as they were set: those of the registry's fields that it has by the same name. */
const withSet = <Of extends object>(of: Of, valueOf: (id: DesignFieldId) => unknown): Of => ({
  ...of,
  ...Object.fromEntries(
    DESIGN_FIELD_IDS.filter((id) => FIELDS[id].of === "scene" && Object.hasOwn(of, id)).map((id) => [id, valueOf(id)]),
  ),
});

/** A transition takes at most half of either of its scenes, however they were put together. */
function freeOverlap(scenes: readonly DesignedScene[], index: number): SceneTemplate["overlap"] {
  const [before, scene] = [scenes[index - 1], scenes[index]];
  if (!before || !scene) return millis(0);
  return millis(Math.min(scene.overlap, Math.floor(scene.length / 2), Math.floor(before.length / 2)));
}

/** A slot of a promotion as its template has it, by its address in the promotion; null when there is none. */
export function findPromotionSlot(document: Promotion, templates: TemplatesByRef, key: string): FoundSlot | null {
  const [id = ""] = key.split(".");
  const own = document.scenes[id];
  return own ? findSlot([{ ...sceneOrigin(templates, own), id }], key) : null;
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
  const own = document.scenes[scene.id];
  const source = scenesInOrder(document).find(
    ({ from }) =>
      own !== undefined && from.slug === own.from.slug && from.edition === own.from.edition && from.scene === sceneId,
  );
  return source ? findSlot(scenes, `${source.id}.${slotId}`) : null;
}

/** The scenes of a whole template as a new promotion has them. */
export const scenesOf = ({ slug, edition }: TemplateRef, template: Template): Promotion["scenes"] =>
  orderedRecord(template.scenes.map(({ id }) => ({ id, from: { slug, edition, scene: id } })));
