import { type MotionKind } from "../motion/wordMotion";
import { type JoinKind } from "./joins";
import { type ColorRole } from "../color/palette";
import { type FaceRole } from "../brand/book";
import { type Rect } from "../geometry/rect";
import { type FormatName } from "../placement/formats";
import { type Millis } from "../units";
import { type Arrangement } from "./arrangements";
import { type WordsRole } from "./wordsRole";

/** Where a slot's words can come from when nobody has typed any. */
export const WORDS_BINDINGS = [
  "product.name",
  "product.line",
  "product.price",
  "offer.badge",
  "offer.now",
  "offer.was",
  "offer.saving",
  "offer.until",
  "offer.short",
  "offer.long",
  "brand.name",
  "brand.call",
  "brand.website",
  "brand.sign-off.first",
  "brand.sign-off.second",
] as const;
export type WordsBinding = (typeof WORDS_BINDINGS)[number];

/** What a filler may change of a slot. Designers and owners may always. */
export interface SlotAllows {
  /** The words, the picture or clip, the products. */
  readonly content: boolean;
  readonly color: boolean;
  readonly position: boolean;
  readonly remove: boolean;
}
/** What a filler may change of a scene as a whole. */
export interface SceneAllows {
  readonly arrangement: boolean;
  readonly color: boolean;
  readonly timing: boolean;
  readonly remove: boolean;
}

interface SlotBase {
  readonly id: string;
  readonly label: string;
  readonly hint: string;
  readonly required: boolean;
  readonly allows: SlotAllows;
}
export interface WordsSlot extends SlotBase {
  readonly kind: "words";
  readonly role: WordsRole;
  /** How many characters the design is made for; more is allowed and gets smaller type. */
  readonly budget: number;
  readonly binding?: WordsBinding | undefined;
  readonly fallback?: string | undefined;
  /** The brand's colour the words are set in, where it can be read; the ground's own ink when absent. */
  readonly color?: ColorRole | undefined;
  /** Whether they are set in capitals, however they are written; as they are written when absent. */
  readonly capitals?: boolean | undefined;
  /** Whether each of their lines has a number before it. */
  readonly numbered?: boolean | undefined;
  /** The brand's colour of the words that stand out, where it can be read. */
  readonly emphasis?: ColorRole | undefined;
}

export const PICTURE_SHAPES = ["any", "tall", "square", "wide"] as const;
export type PictureShape = (typeof PICTURE_SHAPES)[number];

/** What a picture or clip should be like. It is asked for, and said when missing; it is never refused. */
export interface MediaNeeds {
  readonly shape: PictureShape;
  /** Pixels of the short side; 0 for no matter. */
  readonly leastPixels: number;
  /** Of a clip; 0 for no matter. */
  readonly leastSeconds: number;
}
export interface MediaSlot extends SlotBase {
  readonly kind: "media";
  readonly accepts: readonly ("picture" | "clip")[];
  /** Where the picture comes from when none is chosen: the product's, another slot's (`slot:scene.slot`), or nowhere. */
  readonly from: "product" | "nothing" | `slot:${string}`;
  readonly needs: MediaNeeds;
  /** A media item of the team that is shown until another is chosen; fixed where the content is locked. */
  readonly media?: string | undefined;
}
/** The promotion's offer: badge, price now, price before, how long. */
export interface OfferSlot extends SlotBase {
  readonly kind: "offer";
}
/** Rows of the catalogue, each a name and a price. */
export interface ProductsSlot extends SlotBase {
  readonly kind: "products";
  /** How many rows at most, 1 to 6. */
  readonly most: number;
}
export type Slot = WordsSlot | MediaSlot | OfferSlot | ProductsSlot;
export type SlotKind = Slot["kind"];

export interface SceneTemplate {
  readonly id: string;
  readonly name: string;
  readonly arrangement: Arrangement;
  readonly length: Millis;
  /** How long the transition from the scene before takes; 0 is a cut. */
  readonly overlap: Millis;
  /** The colour that words stand on where they do not stand on a picture. */
  readonly ground: ColorRole;
  /** Whether the brand's logo is shown. */
  readonly logo: boolean;
  readonly slots: readonly Slot[];
  readonly allows: SceneAllows;
  /** Places set by hand in a format, by slot id: they win over the arrangement's. */
  readonly places: Partial<Readonly<Record<FormatName, Readonly<Record<string, Rect>>>>>;
}

/** How a template looks and moves, whatever the brand. */
export interface TemplateStyle {
  /** How words come in. */
  readonly motion: MotionKind;
  /** How a scene gives way to the next while they overlap. */
  readonly transition: JoinKind;
  /** Whether still pictures zoom slowly. */
  readonly zoom: boolean;
  /** Faces of the brand for roles that are not to have their usual one. */
  readonly faces: Partial<Readonly<Record<WordsRole, FaceRole>>>;
}

/** A slot's address in a document: `scene.slot`. */
export type SlotKey = `${string}.${string}`;
export const slotKey = (scene: { readonly id: string }, slot: { readonly id: string }): SlotKey =>
  `${scene.id}.${slot.id}`;
/** Whether a text is written as a slot's address is. */
export const isSlotKey = (text: string): text is SlotKey => /^[^.]{1,80}\.[^.]{1,80}$/.test(text);

export interface FoundSlot {
  readonly scene: SceneTemplate;
  readonly slot: Slot;
}

/** A slot of some scenes by its address; null when there is none. */
export function findSlot(scenes: readonly SceneTemplate[], key: string): FoundSlot | null {
  for (const scene of scenes) for (const slot of scene.slots) if (slotKey(scene, slot) === key) return { scene, slot };
  return null;
}
