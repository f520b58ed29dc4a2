import { openWanted, testBook } from "../testing/fonts";
import { filesWanted } from "./itemise";
import { faceStack } from "./faces";
import { type FittedWords, fitWords } from "./fit";
import { wordPieces } from "./pieces";
import { outlineBounds } from "./outline";
import { shapedText } from "./shapedTexts";

const book = testBook();
const stack = faceStack(book.catalogue, { family: "Bricolage Grotesque", weight: 800 }, []);
async function set(text: string): Promise<FittedWords> {
  await openWanted(book, () => [...filesWanted(text, stack, book)]);
  const rule = { smallest: 40, largest: 60, mostLines: 4, leading: 1.1, align: "start" } as const;
  return fitWords(shapedText(text, stack, book, false), { width: 420, height: 400 }, rule);
}
/** All numbers of the outlines of some words. */
const drawn = (words: FittedWords): number[] => words.lines.flatMap(({ outline, marked }) => [...outline, ...marked]);
const numbers = (all: readonly FittedWords[]): number[] => all.flatMap(drawn).sort((one, other) => one - other);

const made = (...of: Parameters<typeof wordPieces>): FittedWords[] => wordPieces(...of).map((piece) => piece());

const TEXT = "Bring the *bench* to life, at once 🌿 today";
test.each(["line by line", "word by word", "letter by letter"] as const)(
  "%s: the pieces together are the words, nothing lost, nothing twice, all where it stood",
  async (by) => {
    const words = await set(TEXT);
    expect(words.lines.length).toBeGreaterThan(1);
    const pieces = made(words, by);
    expect(numbers(pieces)).toEqual(numbers([words]));
    expect(pieces.flatMap(({ lines }) => lines.flatMap(({ emoji }) => emoji))).toEqual(
      words.lines.flatMap(({ emoji }) => emoji),
    );
    // What stands out is underlined once, whichever piece it comes with.
    expect(pieces.flatMap(({ lines }) => lines.flatMap(({ stretches }) => stretches)).length).toBe(
      words.lines.flatMap(({ stretches }) => stretches).length,
    );
  },
);

test("there is a piece for each line, each word, each letter", async () => {
  const words = await set(TEXT);
  expect(wordPieces(words, "line by line")).toHaveLength(words.lines.length);
  expect(wordPieces(words, "word by word")).toHaveLength(9);
  expect(wordPieces(words, "letter by letter")).toHaveLength("Bringthebenchtolife,atonce".length + 1 + "today".length);
});

test("words that read from the right, and letters with marks, come in whole letters", async () => {
  const words = await set("مرحبا بكم");
  const pieces = made(words, "word by word");
  expect(pieces).toHaveLength(2);
  // The first that is read stands on the right.
  const [first, second] = pieces.map(({ lines }) => outlineBounds(lines[0]?.outline ?? [])?.x ?? 0);
  expect(first).toBeGreaterThan(second ?? Infinity);
  expect(numbers(made(words, "letter by letter"))).toEqual(numbers([words]));
});
