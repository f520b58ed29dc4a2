/** A frame rate as an exact fraction of frames per second: 30000/1001, never 29.97. */
export interface FrameRate {
  readonly numerator: number;
  readonly denominator: number;
}

export const FPS_30: FrameRate = { numerator: 30, denominator: 1 };

/** How many frames a length has: the nearest whole number. 15 000 ms at 30/1 is 450. */
export function frameCount(length: number, rate: FrameRate): number {
  return Math.round((length * rate.numerator) / (1000 * rate.denominator));
}
