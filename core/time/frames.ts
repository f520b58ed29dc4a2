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

/** When frame `index` begins, in milliseconds (a fraction of one where the rate does not divide it). */
export function frameTime(index: number, rate: FrameRate): number {
  return (index * 1000 * rate.denominator) / rate.numerator;
}

/** The frame that is on screen at a time in milliseconds. A time that is a frame's own start gives that frame. */
export function frameAt(time: number, rate: FrameRate): number {
  return Math.floor((time * rate.numerator) / (1000 * rate.denominator) + 1e-6);
}
