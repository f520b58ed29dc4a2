import { plainWords, readEmphasis, toggledEmphasis } from "./emphasis";

test.each([
  ["Come and *see*", "Come and see", ["see"]],
  ["*Two words* and *one*", "Two words and one", ["Two words", "one"]],
  ["Only *9.50*, now", "Only 9.50, now", ["9.50"]],
  ["*First*\n*Second*", "First\nSecond", ["First", "Second"]],
  ["*Été* à la *Käserei*", "Été à la Käserei", ["Été", "Käserei"]],
])("%j stands out in its marked words", (written, text, marked) => {
  const read = readEmphasis(written);
  expect(read.text).toBe(text);
  expect(read.marks.map(({ start, end }) => text.slice(start, end))).toEqual(marked);
});

// What CommonMark 0.31 takes for no emphasis either: examples 351, 352, 366 and the rule on both sides.
test.each([
  "5*4 pots, 3*4 trays",
  "a * foo bar*",
  "*foo bar *",
  "* one\n* two",
  "*",
  "**",
  "*half\nand half*",
  "five*stars",
])("%j is written as it is", (written) => {
  expect(readEmphasis(written)).toEqual({ text: written, marks: [] });
});

test("marks are put round what is chosen without its blanks, and taken off again", () => {
  const chosen = { start: 9, end: 13 };
  const marked = toggledEmphasis("Come and see it", chosen);
  expect(marked).toBe("Come and *see* it");
  expect(toggledEmphasis(marked, { start: 10, end: 13 })).toBe("Come and see it");
  expect(toggledEmphasis(marked, { start: 9, end: 14 })).toBe("Come and see it");
  expect(toggledEmphasis("One\nTwo", { start: 0, end: 7 })).toBe("*One*\n*Two*");
  expect(toggledEmphasis("Costs $& less", { start: 0, end: 8 })).toBe("*Costs $&* less");
  expect(toggledEmphasis("*Costs $$ 5 $&* less", { start: 0, end: 15 })).toBe("Costs $$ 5 $& less");
  expect(toggledEmphasis("One two", { start: 3, end: 4 })).toBe("One two");
});

test("what marks are put round is read as marked", () => {
  for (const words of ["All this week", "Now 9.50", "Été à la Käserei", "a - b"])
    expect(plainWords(toggledEmphasis(words, { start: 0, end: words.length }))).toBe(words);
});
