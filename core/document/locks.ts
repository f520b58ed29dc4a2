import { sceneOrigin, templateOf } from "./design";
import { type TemplatesByRef } from "./facts";
import { type Promotion, type PromotionScene } from "./promotion";
import { type SceneAllows, type SceneTemplate, type Slot, type SlotAllows, findSlot, slotKey } from "./template";

/**
 * What is wrong with a promotion's fills, given its templates; null when nothing is. Fills of scenes that were taken out
 * are kept for bringing them back, so they are no problem. Throws when a template or scene is not there.
 */
export function promotionProblem(document: Promotion, templates: TemplatesByRef): string | null {
  templateOf(templates, document.template);
  const scenes = document.scenes.map((scene): SceneTemplate => ({ ...sceneOrigin(templates, scene), id: scene.id }));
  for (const [key, fill] of Object.entries(document.fills)) {
    if (!scenes.some(({ id }) => key.startsWith(`${id}.`))) continue;
    const found = findSlot(scenes, key);
    if (!found) return `The template has no slot “${key}”.`;
    if (fill.kind !== found.slot.kind) return `“${found.slot.label}” takes ${found.slot.kind}, not ${fill.kind}.`;
  }
  for (const key of Object.keys(document.changes))
    if (scenes.some(({ id }) => key.startsWith(`${id}.`)) && !findSlot(scenes, key))
      return `The template has no slot “${key}”.`;
  return null;
}

const SCENE_WORDS: Readonly<Record<keyof SceneAllows, string>> = {
  arrangement: "The arrangement",
  color: "The ground colour",
  timing: "The length",
  remove: "Taking out",
};
const SLOT_WORDS: Readonly<Record<keyof SlotAllows, string>> = {
  content: "What is in",
  color: "The colour of",
  position: "The place of",
  remove: "Taking out",
};
const ASK = "is locked by the template. A designer can change it, or unlock it in the template.";

/** Deep equality of plain JSON, keys in any order. */
function same(one: unknown, other: unknown): boolean {
  if (one === other) return true;
  if (typeof one !== "object" || typeof other !== "object" || one === null || other === null) return false;
  const [keys, others] = [definedKeys(one), definedKeys(other)];
  return (
    keys.length === others.length &&
    keys.every((key) => same((one as Record<string, unknown>)[key], (other as Record<string, unknown>)[key]))
  );
}
const definedKeys = (value: object): string[] =>
  Object.entries(value)
    .filter(([, one]) => one !== undefined)
    .map(([key]) => key);

/**
 * What a filler has changed that the template does not let them, in words; null when nothing. Whatever edit brought it
 * about, the two documents are compared, so no kind of edit goes round a lock.
 */
export function lockProblem(before: Promotion, after: Promotion, templates: TemplatesByRef): string | null {
  for (const scene of after.scenes) {
    const origin = sceneOrigin(templates, scene);
    const known = before.scenes.find(({ id, from }) => id === scene.id && same(from, scene.from));
    const locked =
      sceneLock(known ?? null, scene, origin) ??
      origin.slots.map((slot) => slotLock(before, after, scene, slot)).find((problem) => problem !== null);
    if (locked) return locked;
  }
  return removalLock(before, after, templates) ?? absentSceneLock(before, after);
}

function sceneLock(
  before: PromotionScene | null,
  scene: PromotionScene,
  { name, allows }: SceneTemplate,
): string | null {
  const locked = (what: keyof SceneAllows): string => `${SCENE_WORDS[what]} of scene “${name}” ${ASK}`;
  if (!allows.arrangement && !same(before?.arrangement, scene.arrangement)) return locked("arrangement");
  if (!allows.color && before?.ground !== scene.ground) return locked("color");
  if (!allows.timing && before?.length !== scene.length) return locked("timing");
  return null;
}

function slotLock(before: Promotion, after: Promotion, scene: PromotionScene, slot: Slot): string | null {
  const key = slotKey(scene, slot);
  const locked = (what: keyof SlotAllows): string => `${SLOT_WORDS[what]} “${slot.label}” ${ASK}`;
  const [was, is] = [before.changes[key] ?? {}, after.changes[key] ?? {}];
  if (!slot.allows.content && !same(before.fills[key], after.fills[key])) return locked("content");
  if (!slot.allows.color && was.color !== is.color) return locked("color");
  if (!slot.allows.position && !same(was.places, is.places)) return locked("position");
  if (!slot.allows.remove && (was.hidden ?? false) !== (is.hidden ?? false)) return locked("remove");
  return null;
}

/** Scenes of the promotion's own template that may not be taken out must be there, once they were or when the template is new. */
function removalLock(before: Promotion, after: Promotion, templates: TemplatesByRef): string | null {
  const newTemplate = !same(before.template, after.template);
  const shows = (document: Promotion, scene: SceneTemplate): boolean =>
    document.scenes.some(({ from }) => same(from, { ...after.template, scene: scene.id }));
  const missing = templateOf(templates, after.template).scenes.find(
    (scene) => !scene.allows.remove && !shows(after, scene) && (newTemplate || shows(before, scene)),
  );
  return missing ? `${SCENE_WORDS.remove} scene “${missing.name}” ${ASK}` : null;
}

/** Nothing is written into a scene that is not there: it would stand in it, locked or not, when the scene is put back. */
function absentSceneLock(before: Promotion, after: Promotion): string | null {
  const isAbsent = (key: string): boolean => !after.scenes.some(({ id }) => key.startsWith(`${id}.`));
  const written = [...writtenKeys(before.fills, after.fills), ...writtenKeys(before.changes, after.changes)].find(
    isAbsent,
  );
  return written === undefined ? null : `“${written}” belongs to a scene that was taken out. Put the scene back first.`;
}

const writtenKeys = (before: Readonly<Record<string, unknown>>, after: Readonly<Record<string, unknown>>): string[] =>
  Object.keys(after).filter((key) => !same(before[key], after[key]));

/** Every template that a document's scenes and style come from. */
export const refsOf = (document: Promotion): { slug: string; edition: number }[] => {
  const refs = [document.template, ...document.scenes.map(({ from }) => from)].map(({ slug, edition }) => ({
    slug,
    edition,
  }));
  return refs.filter((ref, index) => refs.findIndex((other) => same(ref, other)) === index);
};
