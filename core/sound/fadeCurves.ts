/** How the level of a sound changes while it fades. */
export const FADE_CURVES = ["even", "equal power", "slow at first", "quick at first"] as const;
export type FadeCurve = (typeof FADE_CURVES)[number];

/**
 * The linear factor at a share of a fade in; a fade out is the same backwards. Of two sounds that fade over each other at
 * equal power (a sine and a cosine of the same angle) the squares add up to one.
 */
export function fadedIn(curve: FadeCurve, share: number): number {
  const at = Math.min(1, Math.max(0, share));
  switch (curve) {
    case "even":
      return at;
    case "equal power":
      return Math.sin((at * Math.PI) / 2);
    case "slow at first":
      return at * at;
    case "quick at first":
      return 1 - (1 - at) * (1 - at);
  }
}
