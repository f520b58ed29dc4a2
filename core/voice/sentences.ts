/** A voice is given no more at once. */
export const MOST_SPOKEN_LETTERS = 5000;

/**
 * The sentences of a script, each to be spoken by itself. Lines end sentences too; what holds no letter and no figure can't
 * be said and is left out.
 *
 * @param language BCP 47; where sentences end depends on it
 */
export function sentencesOf(script: string, language: string): string[] {
  const segmenter = new Intl.Segmenter(language, { granularity: "sentence" });
  return script
    .split(/\r?\n|\r/)
    .flatMap((line) => Array.from(segmenter.segment(line), ({ segment }) => segment.trim()))
    .filter((sentence) => /[\p{L}\p{N}]/u.test(sentence));
}
