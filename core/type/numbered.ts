/** Words with a number before each of their lines, empty ones aside: 1. and so on. */
export function numbered(words: string): string {
  let number = 0;
  return words
    .split("\n")
    .map((line) => (line.trim() === "" ? line : `${++number}. ${line}`))
    .join("\n");
}
