import { type Edit } from "../document/edit";
import { type ItemKey } from "../document/itemKey";
import { type Promotion } from "../document/promotion";
import { type ResolvedPromotion, type ResolvedScene } from "../document/resolve";
import { type SlotKey } from "../document/sceneTemplate";
import { type Size } from "../geometry/rect";
import { type FormatName } from "../placement/formats";
import { type MeasuredMix } from "../sound/measuredMix";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { type PreparedScene } from "../scene/prepared";

/** `wrong` must be mended before it is posted, `warning` should be looked at, `advice` may be taken. */
export const SEVERITIES = ["wrong", "warning", "advice"] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Where something was found. */
export interface Where {
  /** The promotion's scene, by its id; null where it is about all of them. */
  readonly scene: string | null;
  /** Null where it is so in every format. */
  readonly format: FormatName | null;
  /** A slot, or an item of one's own. */
  readonly slot: SlotKey | ItemKey | null;
}

/** Where something is so in every format. @param scene null where it is about all of them */
export const everywhere = (scene: string | null, slot: Where["slot"] = null): Where => ({ scene, format: null, slot });

/** Something that is not as it should be, and what would mend it. */
export interface Finding {
  /** The id of the rule that found it. */
  readonly rule: string;
  readonly severity: Severity;
  readonly where: Where;
  /** In a few words. */
  readonly words: string;
  /** What it was found by, each with the unit in its name. */
  readonly numbers: Readonly<Record<string, number>>;
  /** What would mend it, the best first; none where only a person can. */
  readonly cures: readonly Edit[];
}

/** A scene as rules look at it: prepared in one format, with what it was prepared from. */
export interface CheckedScene {
  readonly format: FormatName;
  readonly scene: ResolvedScene;
  readonly prepared: PreparedScene;
  /** What is set and filled. */
  readonly document: Promotion;
  /** How long it stands before the next comes in, in milliseconds. */
  readonly stays: number;
}

/** What a rule says of a scene; the scene is known already. */
export type Found = Omit<Finding, "rule" | "where"> & { readonly slot: SlotKey | null };

interface RuleBase {
  readonly id: string;
  /** In a sentence: what must hold. */
  readonly about: string;
}

/** Something that scenes are looked at for. */
export interface SceneRule extends RuleBase {
  /** Whether it can differ between formats. One that can't is asked in the first only. */
  readonly isByFormat: boolean;
  readonly look: (scene: CheckedScene) => readonly Found[];
}

/** A promotion as rules look at it: as it is written, as it is where no format differs, and as it was prepared first. */
export interface CheckedPromotion {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  readonly prepared: PreparedPromotion;
  /** As it was prepared in each of its formats. */
  readonly formats: readonly PreparedPromotion[];
}

/** Something that a promotion is looked at for as a whole. */
export interface WholeRule extends RuleBase {
  readonly lookAtAll: (promotion: CheckedPromotion) => readonly (Omit<Found, "slot"> & { readonly where: Where })[];
}

/** Something that frames are looked at for as they are painted, one after another. */
export interface FrameRule extends RuleBase {
  readonly watch: (size: Size) => FrameWatch;
}

/** Looks at frames in their order, each as RGBA. One that looks like the one before may be left out. */
export interface FrameWatch {
  readonly add: (rgba: ArrayLike<number>, seconds: number) => void;
  /** What was seen up to now, and when, in seconds. */
  readonly found: () => readonly (Omit<Found, "slot"> & { readonly at: number })[];
}

/** A promotion with what was measured of all that is heard of it. */
export interface HeardPromotion {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  readonly measured: MeasuredMix;
}

/** Something that is listened for in all that is heard. */
export interface SoundRule extends RuleBase {
  readonly listen: (heard: HeardPromotion) => readonly Omit<Found, "slot">[];
}

export type Rule = SceneRule | WholeRule | FrameRule | SoundRule;
