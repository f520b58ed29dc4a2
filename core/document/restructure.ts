import { withCopiedItems } from "./copiedItems";
import { findPromotionSlot, sceneOrigin, scenesOf } from "./design";
import { type MediaFacts, type TemplatesByRef, templateKey } from "./facts";
import { type Fill, MOST_SCENES, type Promotion, type SpareFill, type TemplateRef } from "./promotion";
import { allowedAdjustments, scenesInEdition } from "./newEdition";
import { inOrder } from "./patch";
import { sampleFills } from "./sample";
import { freeId, newScene, sceneOf, takenIds } from "./sceneIds";
import { ordersAt } from "./ordered";
import { scenesInOrder } from "./sceneList";
import { type Slot, type SlotKey, slotKey } from "./sceneTemplate";
import { type Template } from "./template";
import { Refusal } from "../refusal";

/** A promotion moved to another template, and what found no place there. */
export interface Moved {
  readonly document: Promotion;
  /** The labels of fills that found no place; they are kept among the spare ones. */
  readonly unplaced: readonly string[];
}

interface Carried extends SpareFill {
  readonly key: SlotKey | null;
  readonly slot: Slot | null;
}

/**
 * Moves a promotion to a template (or to another edition of its own) and keeps what fits: each fill goes to the slot of
 * the same address, else to the first free one of the same kind and use, in reading order. What finds none is kept aside.
 */
export function moveToTemplate(
  document: Promotion,
  templates: TemplatesByRef,
  ref: TemplateRef,
  template: Template,
): Moved {
  const scenes =
    ref.slug === document.template.slug ? scenesInEdition(document, templates, ref, template) : scenesOf(ref, template);
  const known = { ...templates, [templateKey(ref)]: template };
  const slots = scenesInOrder({ scenes }).flatMap((scene) =>
    sceneOrigin(known, scene).slots.map((slot) => ({ key: slotKey(scene, slot), slot })),
  );
  const carried = carriedFills(document, templates);
  const fills: Record<SlotKey, Fill> = {};
  const free = (key: SlotKey): boolean => !(key in fills);
  const waiting = carried.filter((one) => {
    const own = slots.find(({ key, slot }) => key === one.key && takes(slot, one));
    if (own) fills[own.key] = one.fill;
    return !own;
  });
  const unplaced = waiting.filter((one) => {
    const found = slots.find(({ key, slot }) => free(key) && takes(slot, one) && sameUse(slot, one.slot));
    if (found) fills[found.key] = one.fill;
    return !found;
  });
  const after: Promotion = {
    ...document,
    template: ref,
    scenes: inOrder(scenes),
    fills: inOrder(fills),
    adjustments: allowedAdjustments(document.adjustments, scenes, (scene) => sceneOrigin(known, scene)),
    spare: spareRecord(unplaced),
  };
  return { document: after, unplaced: unplaced.map(({ label }) => label) };
}

const spareRecord = (fills: readonly SpareFill[]): Promotion["spare"] =>
  Object.fromEntries(
    fills.map(({ label, fill }, index) => [`spare-${String(index + 1).padStart(3, "0")}`, { label, fill }]),
  );

/** All fills, in reading order, with the slots they were made for; then those that were spare already. */
function carriedFills(document: Promotion, templates: TemplatesByRef): Carried[] {
  const scenes = scenesInOrder(document);
  const order = (key: string): number => scenes.findIndex(({ id }) => key.startsWith(`${id}.`));
  const filled = (Object.entries(document.fills) as [SlotKey, Fill][])
    .sort(([one], [other]) => order(one) - order(other))
    .map(([key, fill]): Carried => {
      const slot = findPromotionSlot(document, templates, key)?.slot ?? null;
      return { key, slot, label: slot?.label ?? key, fill };
    });
  return [
    ...filled.filter(({ fill }) => fill.kind !== "words" || fill.text.trim() !== ""),
    ...Object.values(document.spare).map((spare): Carried => ({ ...spare, key: null, slot: null })),
  ];
}

function takes(slot: Slot, { fill, slot: from }: Carried): boolean {
  if (slot.kind !== fill.kind) return false;
  // A slot for clips only is not given what came from one for pictures only.
  return slot.kind !== "media" || from?.kind !== "media" || slot.accepts.some((kind) => from.accepts.includes(kind));
}

const sameUse = (slot: Slot, from: Slot | null): boolean =>
  slot.kind !== "words" || from === null || from.kind !== "words" || from.role === slot.role;

/** The scenes with some of a template put in before `at`. Throws, naming the limit, when there would be too many. */
export function insertScenes(
  document: Promotion,
  ref: TemplateRef,
  sceneIds: readonly string[],
  at: number,
): Promotion["scenes"] {
  const taken = takenIds(document);
  return withScenesAt(
    document,
    sceneIds.map((scene) => newScene(ref, scene, taken)),
    at,
  );
}

function withScenesAt(
  document: Promotion,
  added: readonly ReturnType<typeof newScene>[],
  at: number,
): Promotion["scenes"] {
  const scenes = scenesInOrder(document);
  if (scenes.length + added.length > MOST_SCENES) throw new Refusal(`A promotion has at most ${MOST_SCENES} scenes.`);
  const orders = ordersAt(scenes, at, added.length);
  return inOrder({
    ...document.scenes,
    ...Object.fromEntries(added.map(({ id, from }, index) => [id, { order: orders[index] ?? "", from }])),
  });
}

/** Where scenes are put in, and what their empty pictures may be filled from. */
export interface ScenePlacing {
  /** In front of which scene, counted from 0. */
  readonly at: number;
  /** The most fitting first. */
  readonly media: readonly MediaFacts[];
  readonly hasProductPicture: boolean;
}

/**
 * The document with scenes of a template put in, their empty pictures filled from media at hand where the template
 * lets anyone fill them.
 */
export function withScenes(
  document: Promotion,
  { ref, template }: { readonly ref: TemplateRef; readonly template: Template },
  sceneIds: readonly string[],
  { at, media, hasProductPicture }: ScenePlacing,
): Promotion {
  const scenes = insertScenes(document, ref, sceneIds, at);
  const chosen = template.scenes.filter(({ id }) => sceneIds.includes(id));
  const samples = sampleFills({ ...template, scenes: chosen }, media, hasProductPicture);
  const fills: Record<SlotKey, Fill> = { ...document.fills };
  for (const [id, { from }] of Object.entries(scenes)) {
    if (Object.hasOwn(document.scenes, id)) continue;
    for (const slot of chosen.find((scene) => scene.id === from.scene)?.slots ?? []) {
      const sample = samples[`${from.scene}.${slot.id}`];
      if (sample && slot.allows.content) fills[slotKey({ id }, slot)] = sample;
    }
  }
  const added = Object.entries(scenes).filter(([id]) => !Object.hasOwn(document.scenes, id));
  const copied = withCopiedItems(document, template, new Map(added.map(([id, { from }]) => [from.scene, id])));
  return { ...document, ...copied, scenes, fills: inOrder(fills) };
}

/** The document with a scene repeated right behind itself, with everything that is in it. */
export function repeatScene(document: Promotion, sceneId: string): Promotion {
  const at = scenesInOrder(document).findIndex(({ id }) => id === sceneId);
  const scene = document.scenes[sceneId];
  if (!scene) throw new Refusal(`There is no scene “${sceneId}”.`);
  const id = freeId(sceneId, takenIds(document));
  const copied = <Value>(record: Readonly<Record<string, Value>>): Record<string, Value> =>
    inOrder<string, Value>({
      ...record,
      ...Object.fromEntries(
        Object.entries(record)
          .filter(([key]) => sceneOf(key) === sceneId)
          .map(([key, value]) => [`${id}${key.slice(sceneId.length)}`, value]),
      ),
    });
  const own = { ...document, adjustments: copied(document.adjustments) };
  return {
    ...own,
    ...withCopiedItems(own, document, new Map([[sceneId, id]])),
    scenes: withScenesAt(document, [{ id, from: scene.from }], at + 1),
    fills: copied(document.fills),
  };
}
