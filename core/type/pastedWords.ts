/** Not seen, and nothing that belongs in words: soft hyphens, zero-width marks, byte order marks, controls but line ends. */
// Joiners (U+200C, U+200D) stay: scripts and emoji need them.
const UNSEEN = /[\u00ad\u200b\u2060\ufeff\u0000-\u0008\u000e-\u001f\u007f]/gu;
/** Signs that lists are written with, at the start of a line. */
const BULLET = /^(?:[•◦‣▪●○·*–—-]|\d{1,2}[.)])\s+/u;

/**
 * What was copied out of a document as words: its paragraphs, each a line, without what only makes sense there (bullets,
 * blank lines, tabs, runs of blanks, marks that are not seen).
 */
export const pastedWords = (text: string): string =>
  text
    .normalize("NFC")
    .replace(UNSEEN, "")
    .split(/\r\n|[\r\n\u2028\u2029\v\f\u0085]/u)
    .map((line) =>
      line
        .replace(/[\s\u00a0]+/gu, " ")
        .trim()
        .replace(BULLET, ""),
    )
    .filter((line) => line !== "")
    .join("\n");
