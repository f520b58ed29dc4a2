import { type SlotKey } from "../document/template";
import { type ClipFacts, type PictureFacts } from "../document/facts";
import { type Rect } from "../geometry/rect";
import { type MotionKind } from "../motion/wordMotion";
import { type FittedWords } from "../type/fit";
import { type DisplayNode, type StillNode } from "./displayList";

/** A part of a scene and how it behaves in time. Times are milliseconds from the scene's start. */
export type ScenePart =
  | { readonly kind: "fixed"; readonly node: DisplayNode }
  | { readonly kind: "picture"; readonly picture: PictureFacts; readonly place: Rect; readonly outwards: boolean }
  | { readonly kind: "clip"; readonly clip: ClipFacts; readonly place: Rect }
  | { readonly kind: "moving"; readonly motion: MotionKind; readonly enters: number; readonly atRest: StillNode };

/** A slot in its place, for drawing handles, tests and findings. */
export interface PlacedSlot {
  readonly key: SlotKey;
  /** Parts of an offer share one key and are told apart by their role. */
  readonly part: string;
  readonly kind: "words" | "logo" | "picture";
  readonly place: Rect;
  readonly text: string;
  readonly fitted: FittedWords | null;
  readonly smallest: number;
}

/** One scene in one format with all its words set: everything but time. */
export interface PreparedScene {
  readonly slots: readonly PlacedSlot[];
  readonly parts: readonly ScenePart[];
  readonly length: number;
  /** Whether things leave before the scene ends: not in the last one. */
  readonly leaves: boolean;
}
