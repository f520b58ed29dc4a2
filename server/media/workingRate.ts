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

/** The constant rate for a clip whose own rate is `measured`: the nearest usual one; 30 where it is not known. */
export function workingRate(measured: number): FrameRate {
  const value = ({ numerator, denominator }: FrameRate): number => numerator / denominator;
  if (!(measured > 0)) return { numerator: 30, denominator: 1 };
  return RATES.reduce((best, rate) =>
    Math.abs(value(rate) - measured) < Math.abs(value(best) - measured) ? rate : best,
  );
}
