import { type DesignedScene, designOf, sourceSlot } from "./design";
import { formatsInOrder } from "./formatList";
import { type Facts } from "./facts";
import { type Promotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import {
  type Purpose,
  type SceneTemplate,
  type Slot,
  type SlotKey,
  type Template,
  TEMPLATE_VERSION,
  slotKey,
} from "./template";

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
      const own = rewired(document, scenes, scene, slot);
      return fixed.has(key) && shown
        ? fixedSlot(own, shown.words[slot.id] ?? "", shown.shots[slot.id]?.[0]?.media.id ?? null)
        : openSlot(own, document, key);
    }),
  }));
  const formats = formatsInOrder(document);
  return { version: TEMPLATE_VERSION, ...about, formats, scenes: kept, style: base.style, sound: base.sound };
}

/** Without what a scene of a promotion has of its own and one of a template has not. */
function withoutStyle(scene: DesignedScene): SceneTemplate {
  const { id, name, arrangement, length, overlap, ground, logo, slots, allows, places } = scene;
  return { id, name, arrangement, length, overlap, ground, logo, slots, allows, places };
}

/** Pictures that are taken from another slot are named by the scenes' new ids. */
function rewired(document: Promotion, scenes: readonly SceneTemplate[], scene: SceneTemplate, slot: Slot): Slot {
  if (slot.kind !== "media" || !slot.from.startsWith("slot:")) return slot;
  const source = sourceSlot(document, scenes, scene, slot);
  return { ...slot, from: source ? `slot:${source.scene.id}.${source.slot.id}` : "nothing" };
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
