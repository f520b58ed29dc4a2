import { Refusal } from "../refusal";
/** The lengths of a Global Trade Item Number (GS1 General Specifications): GTIN-8, -12, -13 and -14. */
const LENGTHS = [8, 12, 13, 14];

/**
 * The check digit for the digits before it (GS1 General Specifications, 7.9: from the right, weights 3, 1, 3 …; the digit
 * that completes the sum to a multiple of ten). Throws when there is anything but digits.
 */
export function gtinCheckDigit(digits: string): number {
  if (!/^\d+$/.test(digits)) throw new Refusal("A GTIN has digits only.");
  const sum = Array.from(digits)
    .reverse()
    .reduce((total, digit, index) => total + Number(digit) * (index % 2 === 0 ? 3 : 1), 0);
  return (10 - (sum % 10)) % 10;
}

/** Whether a product code is meant as a GTIN: digits only, of one of its lengths. Other codes are a shop's own. */
const looksLikeGtin = (code: string): boolean => /^\d+$/.test(code) && LENGTHS.includes(code.length);

/** What is wrong with a code, in words; null when it is a shop's own code or a GTIN whose check digit is right. */
export function gtinProblem(code: string): string | null {
  if (!looksLikeGtin(code)) return null;
  const wanted = gtinCheckDigit(code.slice(0, -1));
  return Number(code.at(-1)) === wanted
    ? null
    : `“${code}” has a wrong check digit: it should end in ${wanted}. Look for two digits that changed places.`;
}
