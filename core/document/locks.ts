import { type Target, keysFor, readAdjustmentKey } from "./adjustments";
import { isLocked, sceneOrigin, templateOf } from "./design";
import { type TemplatesByRef } from "./facts";
import { FIELDS, FIELD_IDS, type FieldId } from "./fields";
import { same } from "./patch";
import { type Promotion } from "./promotion";
import { sceneOf } from "./sceneIds";
import { type ListedScene, scenesInOrder } from "./sceneList";
import { type SceneTemplate, type Slot, findSlot, slotKey } from "./sceneTemplate";

/**
 * What is wrong with what a promotion fills and sets, given its templates; null when nothing is. What was filled in scenes
 * that were taken out is kept for bringing them back, so it is no problem. Throws when a template or scene is not there.
 */
export function promotionProblem(document: Promotion, templates: TemplatesByRef): string | null {
  templateOf(templates, document.template);
  const scenes = scenesInOrder(document).map((scene): SceneTemplate => ({
    ...sceneOrigin(templates, scene),
    id: scene.id,
  }));
  const isShown = (key: string): boolean => Object.hasOwn(document.scenes, sceneOf(key));
  for (const [key, fill] of Object.entries(document.fills)) {
    if (!isShown(key)) continue;
    const found = findSlot(scenes, key);
    if (!found) return `The template has no slot “${key}”.`;
    if (fill.kind !== found.slot.kind) return `“${found.slot.label}” takes ${found.slot.kind}, not ${fill.kind}.`;
  }
  for (const [key, adjustment] of Object.entries(document.adjustments)) {
    const [slotAddress = ""] = key.split("@");
    if (!slotAddress.includes(".") || !isShown(key)) continue;
    const found = findSlot(scenes, slotAddress);
    if (!found) return `The template has no slot “${slotAddress}”.`;
    const unfit = FIELD_IDS.find((id) => adjustment[id] !== undefined && !isFor(id, found.slot));
    if (unfit) return `“${found.slot.label}” has no ${FIELDS[unfit].field.label.toLowerCase()} to set.`;
  }
  return itemProblem(document);
}

/** What was set for items that have no such field. What waits for an item that was taken out is no problem. */
function itemProblem({ items, adjustments }: Promotion): string | null {
  for (const [key, adjustment] of Object.entries(adjustments)) {
    const { target } = readAdjustmentKey(key);
    const item = target && "item" in target ? items[target.item] : undefined;
    if (!item) continue;
    const unfit = FIELD_IDS.find((id) => {
      const field = FIELDS[id];
      return adjustment[id] !== undefined && !(field.of === "item" && field.kinds.some((kind) => kind === item.kind));
    });
    if (unfit) return `Items of the kind “${item.kind}” have no ${FIELDS[unfit].field.label.toLowerCase()} to set.`;
  }
  return null;
}

const isFor = (id: FieldId, { kind }: Slot): boolean => {
  const field = FIELDS[id];
  return field.of === "slot" && field.kinds.some((one) => one === kind);
};

const ASK = "is locked by the template. A designer can change it, or unlock it in the template.";

/**
 * What a filler has changed that the template does not let them, in words; null when nothing. Whatever edit brought it
 * about, the two documents are compared, so no kind of edit goes round a lock.
 */
export function lockProblem(before: Promotion, after: Promotion, templates: TemplatesByRef): string | null {
  for (const scene of scenesInOrder(after)) {
    const origin = sceneOrigin(templates, scene);
    const locked =
      sceneLock(before, after, scene, origin) ??
      origin.slots.map((slot) => slotLock(before, after, { scene, origin, slot })).find((problem) => problem !== null);
    if (locked) return locked;
  }
  return removalLock(before, after, templates) ?? absentSceneLock(before, after);
}

function sceneLock(before: Promotion, after: Promotion, scene: ListedScene, origin: SceneTemplate): string | null {
  const locked = FIELD_IDS.find(
    (id) =>
      FIELDS[id].of === "scene" && isLocked(id, { origin }) && wasSet(before, after, scene, id, { scene: scene.id }),
  );
  return locked ? `${FIELDS[locked].named} scene “${origin.name}” ${ASK}` : null;
}

function slotLock(
  before: Promotion,
  after: Promotion,
  { scene, origin, slot }: { readonly scene: ListedScene; readonly origin: SceneTemplate; readonly slot: Slot },
): string | null {
  const key = slotKey(scene, slot);
  if (!slot.allows.content && !same(before.fills[key], after.fills[key])) return `What is in “${slot.label}” ${ASK}`;
  const target = { scene: scene.id, slot: slot.id };
  const locked = FIELD_IDS.find(
    (id) => isFor(id, slot) && isLocked(id, { origin, slot }) && wasSet(before, after, scene, id, target),
  );
  return locked ? `${FIELDS[locked].named} “${slot.label}” ${ASK}` : null;
}

/** Whether a field of a target was set or given back, in any layer. A scene that comes from elsewhere now had nothing set. */
function wasSet(before: Promotion, after: Promotion, scene: ListedScene, id: FieldId, target: Target): boolean {
  const isKnown = same(before.scenes[scene.id]?.from, scene.from);
  const [was, is] = [isKnown ? before.adjustments : {}, after.adjustments];
  return [...keysFor(was, target), ...keysFor(is, target)].some((key) => !same(was[key]?.[id], is[key]?.[id]));
}

/** Scenes of the promotion's own template that may not be taken out must be there, once they were or when the template is new. */
function removalLock(before: Promotion, after: Promotion, templates: TemplatesByRef): string | null {
  const newTemplate = !same(before.template, after.template);
  const shows = (document: Promotion, scene: SceneTemplate): boolean =>
    Object.values(document.scenes).some(({ from }) => same(from, { ...after.template, scene: scene.id }));
  const missing = templateOf(templates, after.template).scenes.find(
    (scene) => !scene.allows.remove && !shows(after, scene) && (newTemplate || shows(before, scene)),
  );
  return missing ? `Taking out scene “${missing.name}” ${ASK}` : null;
}

/** Nothing is written into a scene that is not there: it would stand in it, locked or not, when the scene is put back. */
function absentSceneLock(before: Promotion, after: Promotion): string | null {
  const isAbsent = (key: string): boolean => sceneOf(key) !== "" && !Object.hasOwn(after.scenes, sceneOf(key));
  const written = [
    ...writtenKeys(before.fills, after.fills),
    ...writtenKeys(before.adjustments, after.adjustments),
  ].find(isAbsent);
  return written === undefined ? null : `“${written}” belongs to a scene that was taken out. Put the scene back first.`;
}

const writtenKeys = (before: Readonly<Record<string, unknown>>, after: Readonly<Record<string, unknown>>): string[] =>
  Object.keys(after).filter((key) => !same(before[key], after[key]));
