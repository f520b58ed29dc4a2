/** An easing curve: progress in time (0 to 1) to progress of the change. */
export type Easing = (progress: number) => number;

/**
 * The cubic Bézier timing function of CSS Easing 1: from (0,0) to (1,1) with two control points whose x lie in [0, 1].
 * Solved by Newton steps, with bisection where the slope is too flat for them.
 */
export function cubicBezier(x1: number, y1: number, x2: number, y2: number): Easing {
  if (x1 < 0 || x1 > 1 || x2 < 0 || x2 > 1)
    throw new RangeError("The x of both control points must lie between 0 and 1.");
  const at = (a: number, b: number, t: number): number =>
    ((1 - 3 * b + 3 * a) * t + (3 * b - 6 * a)) * t * t + 3 * a * t;
  const slope = (a: number, b: number, t: number): number =>
    3 * (1 - 3 * b + 3 * a) * t * t + 2 * (3 * b - 6 * a) * t + 3 * a;
  const parameterFor = (x: number): number => {
    let t = x;
    for (let step = 0; step < 8; step++) {
      const error = at(x1, x2, t) - x;
      if (Math.abs(error) < 1e-9) return t;
      const steepness = slope(x1, x2, t);
      if (Math.abs(steepness) < 1e-6) break;
      t -= error / steepness;
    }
    let low = 0;
    let high = 1;
    t = x;
    while (high - low > 1e-9) {
      if (at(x1, x2, t) < x) low = t;
      else high = t;
      t = (low + high) / 2;
    }
    return t;
  };
  return (progress) => (progress <= 0 ? 0 : progress >= 1 ? 1 : at(y1, y2, parameterFor(progress)));
}

/** Quick start, long settle: for things that come in. */
export const settle = cubicBezier(0.16, 0.84, 0.3, 1);
/** Slow start, quick end: for things that leave. */
export const leave = cubicBezier(0.6, 0, 0.9, 0.4);
/** Gentle at both ends: for fades between scenes. */
export const glide = cubicBezier(0.4, 0, 0.6, 1);

/** How an entrance can go on over its time. */
export const WORD_EASES = ["settling", "even", "gentle"] as const;
export type WordEase = (typeof WORD_EASES)[number];
