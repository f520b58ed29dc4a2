/** What a program that sets text puts between lines and pages: vertical tab, form feed, line and paragraph separators. */
const BREAKS = /[\u000b\u000c\u2028\u2029]/g;
/** Characters that are not seen and that no database of text holds. Tabs and line ends are text. */
const UNSEEN = /[\u0000-\u0008\u000e-\u001f\u007f]/;
const HALF = /\p{Surrogate}/u;

/** Why a text can't be kept, as the end of a sentence that begins with its name; null where it can. */
export function textProblem(text: string): string | null {
  if (UNSEEN.test(text))
    return "holds a control character, which can't be seen or kept. Type it anew instead of pasting it.";
  return HALF.test(text) ? "ends in the middle of a character. Type its last character anew." : null;
}

/** A text as it is kept: in normal form C, with plain line ends where it had other breaks. */
export const cleanText = (text: string): string => text.normalize("NFC").replace(BREAKS, "\n");

/** How long a text is, as the database counts it: in characters, not in halves of them. */
export const letters = (text: string): number => Array.from(text).length;

/** The first so many characters of a text, none of them halved. */
export const firstLetters = (text: string, most: number): string => Array.from(text).slice(0, most).join("");

/** Tells whether a text has so many characters at most, for schemas. One that is not there has none. */
export const holds =
  (most: number) =>
  (text: string | null | undefined): boolean =>
    letters(text ?? "") <= most;
