import { type Millis } from "../units";

/** What words are for; a role decides face, sizes and how many lines. */
export type WordsRole = "headline" | "name" | "line" | "small" | "call" | "contact";

/** Where a slot's words come from when nobody has typed any. */
export type WordsBinding = "product.name" | "product.line" | "brand.sign-off.first" | "brand.sign-off.second" | "brand.call";

interface SlotBase {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly required: boolean;
}
export interface WordsSlot extends SlotBase {
  readonly kind: "words";
  readonly role: WordsRole;
  /** How many characters the design is made for; more is allowed and gets smaller type. */
  readonly budget: number;
  readonly binding?: WordsBinding;
  readonly fallback?: string;
}
export interface MediaSlot extends SlotBase {
  readonly kind: "media";
  readonly accepts: readonly ("picture" | "clip")[];
  /** Where the picture comes from when none is chosen: the product's, or another slot's (`scene.slot`). */
  readonly from: "product" | `slot:${string}`;
}
export interface OfferSlot extends SlotBase {
  readonly kind: "offer";
}
export type Slot = WordsSlot | MediaSlot | OfferSlot;

export const ARRANGEMENTS = ["full-picture", "product", "offer", "sign-off"] as const;
export type ArrangementName = (typeof ARRANGEMENTS)[number];

export interface SceneTemplate {
  readonly id: string;
  readonly name: string;
  readonly arrangement: ArrangementName;
  readonly length: Millis;
  /** The crossfade from the scene before; 0 is a cut. */
  readonly overlap: Millis;
  readonly slots: readonly Slot[];
}

export interface SoundPlan {
  readonly fadeIn: Millis;
  readonly fadeOut: Millis;
  /** Integrated loudness the finished file is brought to, in LUFS. */
  readonly loudness: number;
}

export interface Template {
  readonly version: 1;
  readonly slug: string;
  readonly name: string;
  readonly purpose: string;
  readonly scenes: readonly SceneTemplate[];
  readonly sound: SoundPlan;
}

/** A slot's address in a document: `scene.slot`. */
export type SlotKey = `${string}.${string}`;
export const slotKey = (scene: SceneTemplate, slot: Slot): SlotKey => `${scene.id}.${slot.id}`;

export function findSlot(template: Template, key: string): { readonly scene: SceneTemplate; readonly slot: Slot } | null {
  for (const scene of template.scenes) for (const slot of scene.slots) if (slotKey(scene, slot) === key) return { scene, slot };
  return null;
}
