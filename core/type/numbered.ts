/**
 * Words with a number before each of their lines, empty ones aside: 1. and so on. A tab is between them: what follows it
 * is set beside the number, in further lines too.
 */
export function numbered(words: string): string {
  let number = 0;
  return words
    .split("\n")
    .map((line) => (line.trim() === "" ? line : `${++number}.\t${line}`))
    .join("\n");
}
