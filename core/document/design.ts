import { type FormatName, isFormatName } from "../placement/formats";
import { type Rect } from "../geometry/rect";
import { type PictureMotion, RESTING } from "../motion/pictureMotion";
import { type Movement, USUAL_MOVEMENT } from "../motion/movement";
import { millis } from "../units";
import { type Adjustments, type Found, type Target, formatsSet, nearest } from "./adjustments";
import { BRAND_MARKS, type BrandMark, PLACE_OF_MARK } from "./brandMark";
import { type TemplatesByRef, templateKey } from "./facts";
import { DESIGN_FIELD_IDS, type DesignFieldId, FIELDS, type FieldId, type ValueOf } from "./fields";
import { type Join, USUAL_JOIN } from "./joins";
import { type Look } from "./look";
import { type Promotion, type PromotionScene, type TemplateRef } from "./promotion";
import { orderedRecord } from "./ordered";
import { presetsFor } from "./presets";
import { type ListedScene, scenesInOrder } from "./sceneList";
import { type SlotFraming, slotFraming } from "./slotFraming";
import {
  type FoundSlot,
  type MediaSlot,
  type SceneTemplate,
  type Slot,
  type TemplateStyle,
  findSlot,
} from "./sceneTemplate";
import { type Template } from "./template";
import { Refusal } from "../refusal";

/** A promotion's scenes as they are designed: each template's scene under the promotion's own id, with what was changed. */
export interface Design {
  readonly base: Template;
  readonly scenes: readonly DesignedScene[];
}

/** When something of a scene comes in, from its start, and goes, before its end. Milliseconds; 0 is as usual. */
export interface SlotTimes {
  readonly comes: number;
  readonly goes: number;
}

/** What is put between words and the picture that they stand on; what is not there is chosen by what can be read. */
export interface BehindWords {
  /** The least shade, 0 to 1. */
  readonly shade?: number | undefined;
  /** How blurred a picture is that is blurred behind words, in design units (standard deviation). */
  readonly blur?: number | undefined;
}

export interface DesignedScene extends SceneTemplate {
  /** How it looks and moves; its transition is the one it comes in by. */
  readonly style: TemplateStyle;
  /** How it comes in. */
  readonly join: Join;
  /** Whether it is one shot with the scene before it: what both show stays as it is. */
  readonly goesOn: boolean;
  /** How far what stands free moves before its ground: 0 for not at all. */
  readonly depth: number;
  /** How its pictures come, go and move. */
  readonly pictures: PictureMotion;
  /** How its words move, besides the way in which they come. */
  readonly movement: Movement;
  /** What is between words and their picture, as far as somebody said so. */
  readonly behindWords: BehindWords;
  /** Where marks of the brand were placed by hand in this format. */
  readonly marks: Readonly<Partial<Record<BrandMark, Rect>>>;
  /** How what is in its slots is framed, by their ids; those for which nothing was set are not there. */
  readonly framings: Readonly<Record<string, SlotFraming>>;
  /** How what is in its slots looks, by their ids; those for which nothing was set are not there. */
  readonly looks: Readonly<Record<string, Look>>;
  /** When its words come and go, by their slots; those that do as usual are not there. */
  readonly times: Readonly<Record<string, SlotTimes>>;
  /** How loud the clips in its slots are, by their ids; those for which nothing was set are not there. */
  readonly clipLevels: Readonly<Record<string, number>>;
}

/** A template of a promotion. Throws, naming it, when it is not among those given. */
export function templateOf(templates: TemplatesByRef, ref: TemplateRef): Template {
  const found = templates[templateKey(ref)];
  if (!found) throw new Refusal(`There is no template “${ref.slug}” in edition ${ref.edition}.`);
  return found;
}

/** The template's scene that a promotion's scene comes from. Throws, naming both, when there is none. */
export function sceneOrigin(templates: TemplatesByRef, { from }: Pick<PromotionScene, "from">): SceneTemplate {
  const found = templateOf(templates, from).scenes.find(({ id }) => id === from.scene);
  if (!found) throw new Refusal(`The template “${from.slug}” has no scene “${from.scene}” in edition ${from.edition}.`);
  return found;
}

/** What the templates of a promotion have for one of its scenes. */
export interface SceneDesign {
  readonly origin: SceneTemplate;
  /** The look of the template that the promotion is made with. */
  readonly style: TemplateStyle;
  /** What is set for the scene besides. */
  readonly preset: Adjustments;
}

/** What the templates of a promotion have for one of its scenes. Throws, naming it, when one is not among those given. */
export function sceneDesign(
  document: Pick<Promotion, "template">,
  templates: TemplatesByRef,
  scene: Pick<PromotionScene, "from">,
): SceneDesign {
  const base = templateOf(templates, document.template);
  return {
    origin: sceneOrigin(templates, scene),
    style: base.style,
    preset: presetsFor(templateOf(templates, scene.from), base),
  };
}

/** A value of a scene or slot in a format. */
export interface Placed extends SceneDesign {
  readonly target: Target;
  readonly slot?: Slot | undefined;
  /** Null for what holds in every format. */
  readonly format: FormatName | null;
}

/** Whether the template keeps a field from fillers. */
export const isLocked = (id: FieldId, { origin, slot }: Pick<Placed, "origin" | "slot">): boolean => {
  const field = FIELDS[id];
  if (field.of === "item") return false;
  if (field.of === "scene") return field.lock !== null && !origin.allows[field.lock];
  return slot !== undefined && !slot.allows[field.lock];
};

/** A field's value with its source: the nearest layer in which it was set, else the template. */
export function sourced<Id extends DesignFieldId>(
  { adjustments }: Pick<Promotion, "adjustments">,
  id: Id,
  at: Placed,
): Found<ValueOf<Id>> | { readonly value: ValueOf<Id> | undefined; readonly layer: "template" } {
  const { origin, style, preset, target, slot, format } = at;
  const found = nearest(adjustments, id, { target, format, isLocked: isLocked(id, at) });
  if (found) return found;
  const own = { scene: origin.id, slot: slot?.id };
  const set = nearest(preset, id, { target: own, format, isLocked: false });
  if (set) return { value: set.value, layer: "template" };
  // Each entry of the registry gives values of its own field.
  const value = FIELDS[id].from({ scene: origin, style, slot, format }) as ValueOf<Id> | undefined;
  return { value, layer: "template" };
}

/**
 * Puts a promotion's design together, as it is in a format or, for null, as it is where no format differs. Slots that were
 * taken out are left out.
 */
export function designOf(document: Promotion, templates: TemplatesByRef, format: FormatName | null = null): Design {
  const made = designsOf(document, templates);
  const design = made.get(format) ?? newDesign(document, templates, format);
  made.set(format, design);
  return design;
}

type Designs = Map<FormatName | null, Design>;
/** Designs that were put together last, by what was set: what is filled in changes none, so that typing costs none anew. */
const designs = new WeakMap<Adjustments, { readonly from: readonly object[]; readonly made: Designs }>();

function designsOf({ template, scenes, adjustments }: Promotion, templates: TemplatesByRef): Designs {
  const from = [template, scenes, templates];
  const known = designs.get(adjustments);
  if (known?.from.every((one, index) => one === from[index])) return known.made;
  const made: Designs = new Map();
  designs.set(adjustments, { from, made });
  return made;
}

function newDesign(document: Promotion, templates: TemplatesByRef, format: FormatName | null): Design {
  const base = templateOf(templates, document.template);
  const scenes = shownScenes(document, templates).map((scene) => designedScene(document, templates, { scene, format }));
  return {
    base,
    scenes: scenes.map((scene, index) => ({ ...scene, overlap: freeOverlap(scenes, index) })),
  };
}

/**
 * The scenes of a promotion that are shown, in their order: all but those that are skipped. Where that would leave none
 * (two people skipped one each) all are shown.
 */
export function shownScenes(document: Promotion, templates: TemplatesByRef): ListedScene[] {
  const all = scenesInOrder(document);
  const shown = all.filter((scene) => !isSkipped(document, templates, scene));
  return shown.length > 0 ? shown : all;
}

/** Whether a scene is set to be left out. */
export const isSkipped = (document: Promotion, templates: TemplatesByRef, scene: ListedScene): boolean =>
  sourced(document, "skipped", {
    ...sceneDesign(document, templates, scene),
    target: { scene: scene.id },
    format: null,
  }).value === true;

function designedScene(
  document: Promotion,
  templates: TemplatesByRef,
  { scene, format }: { readonly scene: ListedScene; readonly format: FormatName | null },
): DesignedScene {
  const from = sceneDesign(document, templates, scene);
  const { origin, style } = from;
  const ofScene = <Id extends DesignFieldId>(id: Id): ValueOf<Id> | undefined =>
    sourced(document, id, { ...from, target: { scene: scene.id }, format }).value;
  const ofSlot = <Id extends DesignFieldId>(id: Id, slot: Slot, inFormat = format): ValueOf<Id> | undefined =>
    sourced(document, id, { ...from, target: { scene: scene.id, slot: slot.id }, slot, format: inFormat }).value;
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
      .map((slot) =>
        slot.kind === "words"
          ? {
              ...slot,
              color: ofSlot("color", slot),
              capitals: ofSlot("capitals", slot) || undefined,
              numbered: ofSlot("numbered", slot) || undefined,
              emphasis: ofSlot("emphasis", slot),
            }
          : slot,
      ),
    places,
    style: withSet(style, ofScene),
    goesOn: ofScene("goesOn") === true,
    depth: ofScene("depth") ?? 0,
    pictures: {
      comes: ofScene("picturesCome") ?? RESTING.comes,
      goes: ofScene("picturesGo") ?? RESTING.goes,
      moves: ofScene("picturesMove") ?? RESTING.moves,
    },
    behindWords: { shade: ofScene("shade"), blur: ofScene("blur") },
    movement: {
      exit: ofScene("goes") ?? USUAL_MOVEMENT.exit,
      moves: ofScene("wordsMove") ?? USUAL_MOVEMENT.moves,
      pieces: ofScene("pieces") ?? USUAL_MOVEMENT.pieces,
      strength: ofScene("strength") ?? USUAL_MOVEMENT.strength,
      pause: ofScene("pause") ?? USUAL_MOVEMENT.pause,
      ease: ofScene("ease") ?? USUAL_MOVEMENT.ease,
    },
    join: {
      kind: ofScene("transition") ?? style.transition,
      color: ofScene("joinColor") ?? USUAL_JOIN.color,
      angle: ofScene("joinAngle") ?? USUAL_JOIN.angle,
      ease: ofScene("joinEase") ?? USUAL_JOIN.ease,
    },
    marks: Object.fromEntries(
      BRAND_MARKS.flatMap((mark) => {
        const place = ofScene(PLACE_OF_MARK[mark]);
        return place ? [[mark, place] as const] : [];
      }),
    ),
    times: Object.fromEntries(
      origin.slots.flatMap((slot) => {
        const times = { comes: ofSlot("comesAt", slot) ?? 0, goes: ofSlot("goesBefore", slot) ?? 0 };
        return times.comes > 0 || times.goes > 0 ? [[slot.id, times] as const] : [];
      }),
    ),
    looks: ofMedia(origin, (slot) => ofSlot("look", slot)),
    clipLevels: ofMedia(origin, (slot) => ofSlot("clipLevel", slot)),
    framings: ofMedia(origin, (slot) => slotFraming((id) => ofSlot(id, slot)) ?? undefined),
  };
}

/** What was set for the media slots of a scene, by their ids. */
const ofMedia = <Value>(
  { slots }: SceneTemplate,
  valueOf: (slot: MediaSlot) => Value | undefined,
): Readonly<Record<string, Value>> =>
  Object.fromEntries(
    slots.flatMap((slot) => {
      const value = slot.kind === "media" ? valueOf(slot) : undefined;
      return value === undefined ? [] : [[slot.id, value] as const];
    }),
  );

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

/**
 * The slot that a media slot takes its picture from, under the promotion's own ids, also where its scene is skipped; null
 * where it has none.
 */
export function sourceSlot(
  document: Promotion,
  templates: TemplatesByRef,
  scene: Pick<SceneTemplate, "id">,
  slot: MediaSlot,
): FoundSlot | null {
  if (!slot.from.startsWith("slot:")) return null;
  const [sceneId = "", slotId = ""] = slot.from.slice("slot:".length).split(".");
  const own = document.scenes[scene.id];
  const source = scenesInOrder(document).find(
    ({ from }) =>
      own !== undefined && from.slug === own.from.slug && from.edition === own.from.edition && from.scene === sceneId,
  );
  return source ? findPromotionSlot(document, templates, `${source.id}.${slotId}`) : null;
}

/** The scenes of a whole template as a new promotion has them. */
export const scenesOf = ({ slug, edition }: TemplateRef, template: Template): Promotion["scenes"] =>
  orderedRecord(template.scenes.map(({ id }) => ({ id, from: { slug, edition, scene: id } })));
