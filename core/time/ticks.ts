import { type FrameRate } from "./frames";

declare const unit: unique symbol;
/**
 * A time on the exact clock, in whole ticks. A frame at 24, 25, 30, 48, 50, 60 and their 1000/1001 kin, a sample at 44.1 and
 * 48 kHz and a millisecond are all whole numbers of them, so that times are added and compared without rounding.
 */
export type Ticks = number & { readonly [unit]: "ticks" };

export const TICKS_PER_SECOND = 705_600_000;
export const TICKS_PER_MS = TICKS_PER_SECOND / 1000;

/** A number as a time on the exact clock. Throws where it is not a whole number that can be told from its neighbours. */
export function ticks(value: number): Ticks {
  if (!Number.isSafeInteger(value)) throw new RangeError(`A time must be a whole number of ticks, got ${value}.`);
  return value as Ticks;
}

/** Milliseconds on the exact clock: whole ones exactly, others to the nearest tick. */
export const ticksOf = (ms: number): Ticks => ticks(Math.round(ms * TICKS_PER_MS));

/** A time in milliseconds (a fraction of one where the tick is not on a whole one). */
export const msOf = (time: Ticks): number => time / TICKS_PER_MS;

/** How long a frame lasts. Throws at a rate whose frames are no whole number of ticks. */
export function ticksPerFrame({ numerator, denominator }: FrameRate): Ticks {
  const length = (TICKS_PER_SECOND * denominator) / numerator;
  if (!Number.isInteger(length))
    throw new RangeError(`The exact clock does not divide ${numerator}/${denominator} frames a second.`);
  return ticks(length);
}

/** When a frame begins. */
export const frameStart = (index: number, rate: FrameRate): Ticks => ticks(index * ticksPerFrame(rate));

/** The frame that is on screen at a time. */
export const frameOn = (time: Ticks, rate: FrameRate): number => Math.floor(time / ticksPerFrame(rate));
