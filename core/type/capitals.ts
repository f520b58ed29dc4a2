/**
 * Words in capitals, whatever language they are in (Unicode's default case conversion): the same wherever it runs, which a
 * language of the machine's own would not be.
 */
export const inCapitals = (words: string): string => words.toUpperCase();
