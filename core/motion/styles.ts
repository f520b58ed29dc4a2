import { keysOf } from "../records";
import { type JoinKind } from "../document/joins";
import { type WordEase } from "./easing";
import { type Pieces } from "./movement";
import { type ExitKind, type MotionKind } from "./wordMotion";

/** How all of a promotion moves: a set that goes together. */
export interface MovementStyle {
  readonly motion: MotionKind;
  readonly goes: ExitKind;
  readonly pieces: Pieces;
  readonly strength: number;
  readonly ease: WordEase;
  readonly zoom: boolean;
  /** How far what stands free moves before its ground. */
  readonly depth: number;
  readonly transition: JoinKind;
}

/** Calm is for those whom movement makes uneasy: nothing travels, nothing zooms, all of it fades. */
export const MOVEMENT_STYLES = {
  calm: {
    ...{ motion: "fade", goes: "fade", pieces: "as one", strength: 0, ease: "gentle" },
    ...{ zoom: false, depth: 0, transition: "crossfade" },
  },
  easy: {
    ...{ motion: "rise", goes: "as it came", pieces: "line by line", strength: 1, ease: "settling" },
    ...{ zoom: true, depth: 1, transition: "crossfade" },
  },
  crisp: {
    ...{ motion: "slide", goes: "slide on", pieces: "line by line", strength: 1.4, ease: "settling" },
    ...{ zoom: true, depth: 1, transition: "push" },
  },
  lively: {
    ...{ motion: "spring", goes: "shrink", pieces: "word by word", strength: 1, ease: "settling" },
    ...{ zoom: true, depth: 1, transition: "slide" },
  },
  written: {
    ...{ motion: "fade", goes: "fade", pieces: "letter by letter", strength: 1, ease: "even" },
    ...{ zoom: true, depth: 1, transition: "wipe" },
  },
} as const satisfies Record<string, MovementStyle>;
export type MovementStyleName = keyof typeof MOVEMENT_STYLES;
export const MOVEMENT_STYLE_NAMES = keysOf(MOVEMENT_STYLES);
