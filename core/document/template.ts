import { type FormatName } from "../placement/formats";
import { type Millis } from "../units";
import { type Adjustments } from "./adjustments";
import { type Items } from "./items";
import { type SceneTemplate, type TemplateStyle } from "./sceneTemplate";

export interface SoundPlan {
  readonly fadeIn: Millis;
  readonly fadeOut: Millis;
  /** Integrated loudness the finished file is brought to, in LUFS. */
  readonly loudness: number;
}

/** What a template is for: people choose by it. */
export const PURPOSES = [
  "price drop",
  "new arrival",
  "reasons",
  "before and after",
  "event",
  "tips",
  "strips",
  "quote",
  "countdown",
  "how-to",
  "bundle",
  "back in stock",
  "menu",
  "notice",
  "other",
] as const;
export type Purpose = (typeof PURPOSES)[number];

export const TEMPLATE_VERSION = 5;

/** A template in lists, as it is read. It is kept and edited as a `TemplateDocument`. */
export interface Template {
  readonly version: typeof TEMPLATE_VERSION;
  readonly slug: string;
  readonly name: string;
  readonly purpose: Purpose;
  /** A sentence: what it does. */
  readonly about: string;
  /** The shapes that promotions of it are made in unless they choose others. */
  readonly formats: readonly FormatName[];
  readonly scenes: readonly SceneTemplate[];
  readonly style: TemplateStyle;
  readonly sound: SoundPlan;
  /** What promotions of it begin with over their scenes. It becomes their own. */
  readonly items: Items;
  /**
   * What is set of items, and what is set in one format or besides what a scene holds itself. Promotions find what is set
   * for scenes behind all that is their own.
   */
  readonly adjustments: Adjustments;
}
