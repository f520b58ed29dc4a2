import { type FrameRate } from "../../core/time/frames";

/** Rates that working copies are made at; exact fractions. */
const RATES: readonly FrameRate[] = [
  { numerator: 24000, denominator: 1001 },
  { numerator: 24, denominator: 1 },
  { numerator: 25, denominator: 1 },
  { numerator: 30000, denominator: 1001 },
  { numerator: 30, denominator: 1 },
  { numerator: 50, denominator: 1 },
  { numerator: 60000, denominator: 1001 },
  { numerator: 60, denominator: 1 },
];

/** Rates that differ by less are one, written in two ways. */
const SAME = 0.005;
/** How far a rate may be off as it is written. */
const ROUNDED = 0.0005;

/**
 * The constant rate for a clip: the usual one that is nearest to its own; 30 where that is not known. Where its frames come
 * at varying distances, the least usual rate at which none of them is lost.
 *
 * @param measured its rate on average
 * @param finest the least rate at which every frame falls on a step of its own
 */
export function workingRate(measured: number, finest = measured): FrameRate {
  const value = ({ numerator, denominator }: FrameRate): number => numerator / denominator;
  if (!(measured > 0)) return { numerator: 30, denominator: 1 };
  if (finest / measured - 1 > SAME)
    return RATES.find((rate) => value(rate) >= finest * (1 - ROUNDED)) ?? { numerator: 60, denominator: 1 };
  return RATES.reduce((best, rate) =>
    Math.abs(value(rate) - measured) < Math.abs(value(best) - measured) ? rate : best,
  );
}
