import { leave, settle } from "./easing";

/** What motion does to a thing at a moment: how visible it is, how far it is moved (design units) and scaled. */
export interface MotionState {
  readonly alpha: number;
  readonly dx: number;
  readonly dy: number;
  readonly scale: number;
}

export const AT_REST: MotionState = { alpha: 1, dx: 0, dy: 0, scale: 1 };

export const ENTRANCE_MS = 450;
export const EXIT_MS = 300;
/** Between one line or thing and the next. */
export const STAGGER_MS = 90;
const RISE = 36;

export type MotionKind = "rise" | "slide" | "pop" | "fade" | "still";

/**
 * A thing's entrance and exit. `time` counts from the scene's start; it comes in at `from` and has left at `until`
 * (Infinity for a thing that stays to the end). All in milliseconds.
 */
export function motionAt(kind: MotionKind, time: number, from: number, until: number): MotionState {
  if (kind === "still") return AT_REST;
  const entered = settle((time - from) / ENTRANCE_MS);
  const left = leave((time - (until - EXIT_MS)) / EXIT_MS);
  if (entered >= 1 && left <= 0) return AT_REST;
  const alpha = Math.min(1, entered * 1.4) * (1 - left);
  const away = 1 - entered;
  switch (kind) {
    case "rise":
      return { alpha, dx: 0, dy: RISE * away - RISE * 0.5 * left, scale: 1 };
    case "slide":
      return { alpha, dx: -1.6 * RISE * away, dy: 0, scale: 1 };
    case "fade":
      return { alpha, dx: 0, dy: 0, scale: 1 };
    case "pop":
      return { alpha, dx: 0, dy: 0, scale: 1 - 0.25 * away - 0.1 * left };
  }
}
