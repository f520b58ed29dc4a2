import { pastedWords } from "./pastedWords";

test("paragraphs stay paragraphs; blank lines, tabs, runs of blanks and bullets go", () => {
  expect(pastedWords("  One\tline \r\n\r\n\r\n• first\n  - second\n3) third\n")).toBe("One line\nfirst\nsecond\nthird");
  expect(pastedWords("one\u2028two\u0085three")).toBe("one\ntwo\nthree");
  expect(pastedWords(" \n\t\n")).toBe("");
});

test("what belongs to words stays: a price with a dash, a number that begins a sentence, joined letters and emoji", () => {
  expect(pastedWords("£5-£9 · 3 pots")).toBe("£5-£9 · 3 pots");
  expect(pastedWords("12 pots, 2.50 each")).toBe("12 pots, 2.50 each");
  expect(pastedWords("-20 % today")).toBe("-20 % today");
  expect(pastedWords("👩‍🌾 \u0645\u06cc\u200c\u062e\u0648")).toBe("👩‍🌾 \u0645\u06cc\u200c\u062e\u0648");
});

test("marks that are not seen go, and letters with their accents are one", () => {
  expect(pastedWords("\ufeffBring\u00ad ing\u200b it\u00a0back")).toBe("Bring ing it back");
  expect(pastedWords("cafe\u0301")).toBe("café");
});
