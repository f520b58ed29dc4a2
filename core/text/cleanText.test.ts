import { cleanText, firstLetters, letters, textProblem } from "./cleanText";

test.each([
  ["NUL", "a\u0000b", "control character"],
  ["escape", "\u001b[31m", "control character"],
  ["delete", "\u007f", "control character"],
  ["half a character at the end", "pot \ud83e", "middle of a character"],
  ["half a character at the start", "\udeb4 pot", "middle of a character"],
])("%s can't be kept, and it is said why", (_name, text, why) => expect(textProblem(text)).toContain(why));

test.each(["", "plain", "tab\tand\nline\r\n", "🪴", "e\u0301", "שלום", "\u200b\u200d"])("%j can be kept", (text) =>
  expect(textProblem(text)).toBeNull(),
);

test("a text is kept in normal form C, with plain line ends", () => {
  expect(cleanText("cafe\u0301")).toBe("caf\u00e9");
  expect(cleanText("one\u000btwo\u2028three")).toBe("one\ntwo\nthree");
});

test("characters are counted and cut whole", () => {
  expect(letters("ab🪴")).toBe(3);
  expect(firstLetters("ab🪴c", 3)).toBe("ab🪴");
});
