import { type Adjustments } from "./adjustments";
import { withCopiedItems } from "./copiedItems";
import { type DesignedScene, designOf, sourceSlot, templateOf } from "./design";
import { formatsInOrder } from "./formatList";
import { type Facts, type TemplatesByRef } from "./facts";
import { type Adjustment } from "./fields";
import { inOrder } from "./patch";
import { presetsFor, presetsOf } from "./presets";
import { type Promotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { sceneOf } from "./sceneIds";
import { type SceneTemplate, type Slot, type SlotKey, type TemplateStyle, slotKey } from "./sceneTemplate";
import { type Purpose, type Template, TEMPLATE_VERSION } from "./template";

/** How a promotion is kept as a template. */
export interface AsTemplate {
  readonly slug: string;
  readonly name: string;
  readonly purpose: Purpose;
  readonly about: string;
  /** Slots that stay as they are now; all others are there to be filled again. */
  readonly fixed: ReadonlySet<SlotKey>;
}

/**
 * A template from a finished promotion: its scenes as they are arranged now. What is fixed shows what it shows now and is
 * locked; the words of the rest become what is shown until somebody fills them.
 */
export function asTemplate(document: Promotion, facts: Facts, { fixed, ...about }: AsTemplate): Template {
  const { base, scenes } = designOf(document, facts.templates);
  const resolved = resolvePromotion(document, facts);
  const kept = scenes.map((scene, index): SceneTemplate => ({
    ...withoutStyle(scene),
    slots: scene.slots.map((slot) => {
      const key = slotKey(scene, slot);
      const shown = resolved.scenes[index];
      const own = rewired(document, facts.templates, scenes, { scene, slot });
      return fixed.has(key) && shown
        ? fixedSlot(own, shown.words[slot.id] ?? "", shown.shots[slot.id]?.[0]?.media.id ?? null)
        : openSlot(own, document, key);
    }),
  }));
  const formats = formatsInOrder(document);
  const style = { ...base.style, ...styleOf(document.adjustments["@all"]) };
  const presets = joined([
    presetsOf(inherited(document, facts.templates, base), kept),
    presetsOf(document.adjustments, kept),
    styledScenes(scenes, style),
  ]);
  const ids = new Map(kept.map(({ id }) => [id, id]));
  return {
    version: TEMPLATE_VERSION,
    ...about,
    formats,
    scenes: kept,
    style,
    sound: base.sound,
    ...withCopiedItems({ items: {}, adjustments: presets }, document, ids),
  };
}

/** What of an adjustment is a template's style. */
export const styleOf = ({ motion, transition, zoom }: Adjustment = {}): Partial<TemplateStyle> =>
  Object.fromEntries(Object.entries({ motion, transition, zoom }).filter(([, value]) => value !== undefined));

/** What is set of scenes that look or move in another way than the style. */
const styledScenes = (scenes: readonly DesignedScene[], style: TemplateStyle): Adjustments =>
  Object.fromEntries(
    scenes.flatMap(({ id, style: own }): [string, Adjustment][] => {
      const other = styleOf({
        motion: own.motion === style.motion ? undefined : own.motion,
        transition: own.transition === style.transition ? undefined : own.transition,
        zoom: own.zoom === style.zoom ? undefined : own.zoom,
      });
      return Object.keys(other).length > 0 ? [[id, other]] : [];
    }),
  );

/** What the templates of its scenes set besides, under the promotion's own ids. */
const inherited = (document: Promotion, templates: TemplatesByRef, base: Template): Adjustments =>
  joined(
    Object.entries(document.scenes).map(([id, { from }]) =>
      Object.fromEntries(
        Object.entries(presetsFor(templateOf(templates, from), base))
          .filter(([key]) => key.startsWith("@") || sceneOf(key) === from.scene)
          .map(([key, set]) => [key.startsWith("@") ? key : `${id}${key.slice(from.scene.length)}`, set]),
      ),
    ),
  );

/** Adjustments over one another, field by field: the later win. */
function joined(list: readonly Adjustments[]): Adjustments {
  const all: Record<string, Adjustment> = {};
  for (const adjustments of list)
    for (const [key, set] of Object.entries(adjustments)) all[key] = { ...all[key], ...set };
  return inOrder(all);
}

/** Without what a scene of a promotion has of its own and one of a template has not. */
function withoutStyle(scene: DesignedScene): SceneTemplate {
  const { id, name, arrangement, length, overlap, ground, logo, slots, allows, places } = scene;
  return { id, name, arrangement, length, overlap, ground, logo, slots, allows, places };
}

/** Pictures that are taken from another slot are named by the scenes' new ids. */
function rewired(
  document: Promotion,
  templates: TemplatesByRef,
  scenes: readonly SceneTemplate[],
  { scene, slot }: { readonly scene: SceneTemplate; readonly slot: Slot },
): Slot {
  if (slot.kind !== "media" || !slot.from.startsWith("slot:")) return slot;
  const source = sourceSlot(document, templates, scene, slot);
  const isKept = scenes.some(({ id }) => id === source?.scene.id);
  return { ...slot, from: source && isKept ? `slot:${source.scene.id}.${source.slot.id}` : "nothing" };
}

function fixedSlot(slot: Slot, words: string, media: string | null): Slot {
  const allows = { ...slot.allows, content: false };
  if (slot.kind === "words") return { ...slot, allows, binding: undefined, fallback: words };
  if (slot.kind === "media" && media !== null) return { ...slot, allows, media };
  return { ...slot, allows };
}

function openSlot(slot: Slot, document: Promotion, key: SlotKey): Slot {
  const fill = document.fills[key];
  return slot.kind === "words" && fill?.kind === "words" && fill.text.trim() !== ""
    ? { ...slot, fallback: fill.text }
    : slot;
}
