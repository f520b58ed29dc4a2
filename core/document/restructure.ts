import { findPromotionSlot, sceneOrigin, scenesOf } from "./design";
import { type Structure } from "./edits";
import { type MediaFacts, type TemplatesByRef, templateKey } from "./facts";
import {
  type Fill,
  MOST_SCENES,
  type Promotion,
  type PromotionScene,
  type SpareFill,
  type TemplateRef,
} from "./promotion";
import { scenesInEdition } from "./newEdition";
import { sampleFills } from "./sample";
import { freeId, newScene, takenIds } from "./sceneIds";
import { type Slot, type SlotKey, type Template, slotKey } from "./template";

/** A promotion moved to another template, and what found no place there. */
export interface Moved {
  readonly structure: Structure;
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
  const slots = scenes.flatMap((scene) =>
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
  const changes = Object.fromEntries(
    Object.entries(document.changes).filter(([key]) => slots.some((slot) => slot.key === key)),
  ) as Promotion["changes"];
  const spare = unplaced.map(({ label, fill }) => ({ label, fill }));
  return { structure: { template: ref, scenes, fills, changes, spare }, unplaced: spare.map(({ label }) => label) };
}

/** All fills, in reading order, with the slots they were made for; then those that were spare already. */
function carriedFills(document: Promotion, templates: TemplatesByRef): Carried[] {
  const order = (key: string): number => document.scenes.findIndex(({ id }) => key.startsWith(`${id}.`));
  const filled = (Object.entries(document.fills) as [SlotKey, Fill][])
    .sort(([one], [other]) => order(one) - order(other))
    .map(([key, fill]): Carried => {
      const slot = findPromotionSlot(document, templates, key)?.slot ?? null;
      return { key, slot, label: slot?.label ?? key, fill };
    });
  return [
    ...filled.filter(({ fill }) => fill.kind !== "words" || fill.text.trim() !== ""),
    ...document.spare.map((spare): Carried => ({ ...spare, key: null, slot: null })),
  ];
}

function takes(slot: Slot, { fill, slot: from }: Carried): boolean {
  if (slot.kind !== fill.kind) return false;
  // A slot for clips only is not given what came from one for pictures only.
  return slot.kind !== "media" || from?.kind !== "media" || slot.accepts.some((kind) => from.accepts.includes(kind));
}

const sameUse = (slot: Slot, from: Slot | null): boolean =>
  slot.kind !== "words" || from === null || from.kind !== "words" || from.role === slot.role;

/** The scene list with some scenes of a template put in before `at`. Throws, naming the limit, when it would be too long. */
export function insertScenes(
  document: Promotion,
  ref: TemplateRef,
  sceneIds: readonly string[],
  at: number,
): PromotionScene[] {
  if (document.scenes.length + sceneIds.length > MOST_SCENES)
    throw new RangeError(`A promotion has at most ${MOST_SCENES} scenes.`);
  const taken = takenIds(document);
  const added = sceneIds.map((scene) => newScene(ref, scene, taken));
  return [...document.scenes.slice(0, at), ...added, ...document.scenes.slice(at)];
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
): Structure {
  const scenes = insertScenes(document, ref, sceneIds, at);
  const chosen = template.scenes.filter(({ id }) => sceneIds.includes(id));
  const samples = sampleFills({ ...template, scenes: chosen }, media, hasProductPicture);
  const fills: Record<SlotKey, Fill> = { ...document.fills };
  for (const scene of scenes.slice(at, at + sceneIds.length))
    for (const slot of chosen.find(({ id }) => id === scene.from.scene)?.slots ?? []) {
      const sample = samples[`${scene.from.scene}.${slot.id}`];
      if (sample && slot.allows.content) fills[slotKey(scene, slot)] = sample;
    }
  const { changes, spare } = document;
  return { template: document.template, scenes, fills, changes, spare };
}

/** The document with a scene repeated right behind itself, with everything that is in it. */
export function repeatScene(document: Promotion, sceneId: string): Structure {
  const index = document.scenes.findIndex(({ id }) => id === sceneId);
  const scene = document.scenes[index];
  if (!scene) throw new RangeError(`There is no scene “${sceneId}”.`);
  if (document.scenes.length >= MOST_SCENES) throw new RangeError(`A promotion has at most ${MOST_SCENES} scenes.`);
  const id = freeId(sceneId, takenIds(document));
  const copied = <Value>(record: Readonly<Record<SlotKey, Value>>): Record<SlotKey, Value> => ({
    ...record,
    ...Object.fromEntries(
      Object.entries(record)
        .filter(([key]) => key.startsWith(`${sceneId}.`))
        .map(([key, value]) => [`${id}.${key.slice(sceneId.length + 1)}`, value]),
    ),
  });
  const { template, spare } = document;
  return {
    template,
    spare,
    scenes: [...document.scenes.slice(0, index + 1), { ...scene, id }, ...document.scenes.slice(index + 1)],
    fills: copied(document.fills),
    changes: copied(document.changes),
  };
}
