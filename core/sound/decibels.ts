/** Decibels as a linear factor of amplitude. */
export const factorOf = (decibels: number): number => 10 ** (decibels / 20);

/** A linear factor of amplitude in decibels. */
export const decibelsOf = (factor: number): number => 20 * Math.log10(factor);
