import { type FrameRate } from "../time/frames";

/** The rates that files are made at, as exact fractions of frames per second (SMPTE ST 2036-1 and ITU-R BT.2020 name them). */
export const RATES = {
  "24": { numerator: 24, denominator: 1 },
  "25": { numerator: 25, denominator: 1 },
  "30": { numerator: 30, denominator: 1 },
  "50": { numerator: 50, denominator: 1 },
  "60": { numerator: 60, denominator: 1 },
  "23.976": { numerator: 24_000, denominator: 1001 },
  "29.97": { numerator: 30_000, denominator: 1001 },
  "59.94": { numerator: 60_000, denominator: 1001 },
} as const satisfies Readonly<Record<string, FrameRate>>;
/** A rate by what the trade calls it; what it is, is the fraction. */
export type RateName = keyof typeof RATES;
export const RATE_NAMES: readonly RateName[] = ["24", "25", "30", "50", "60", "23.976", "29.97", "59.94"];
export const USUAL_RATE: RateName = "30";

export const isRate = (value: unknown): value is RateName => RATE_NAMES.some((name) => name === value);
