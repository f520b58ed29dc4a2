import * as fontkit from "fontkit";
import wawoff2 from "wawoff2";
import { openWanted, readShipped, testBook } from "../testing/fonts";
import { emojiCode, faceStack, parseUnicodeRange } from "./faces";
import { openFont } from "./fontBook";
import { bidiLevels, filesWanted, itemise } from "./itemise";
import { textBreaks } from "./paragraph";
import { shapeWord } from "./shapeWord";

const book = testBook();

/** Shapes a word as the application does. */
async function shaped(text: string, family = "Bricolage Grotesque", weight = 800) {
  const stack = faceStack(book.catalogue, { family, weight });
  await openWanted(book, () => filesWanted(text, stack, book));
  return shapeWord(text, bidiLevels(text).levels, stack, book);
}

/** The advance of a word by fontkit, an independent shaper, from the same file. */
async function byFontkit(text: string, file: string): Promise<number> {
  const font = fontkit.create(Buffer.from(await wawoff2.decompress(readShipped(file))));
  return font.layout(text).positions.reduce((sum, { xAdvance }) => sum + xAdvance, 0) / font.unitsPerEm;
}

test.each([
  ["Terracotta", "bricolage-grotesque/latin/800"],
  ["AVATAR", "bricolage-grotesque/latin/800"],
  ["£24.00", "bricolage-grotesque/latin/800"],
  ["الزهور", "noto-sans-arabic/arabic/700"],
  ["पौधे", "noto-sans-devanagari/devanagari/700"],
])("“%s” is as wide as fontkit says", async (text, file) => {
  expect((await shaped(text)).advance).toBeCloseTo(await byFontkit(text, file), 3);
});

test("kerning is applied: AV is narrower than A and V", async () => {
  const [pair, a, v] = [await shaped("AV"), await shaped("A"), await shaped("V")];
  expect(pair.advance).toBeLessThan(a.advance + v.advance - 0.01);
});

test("letters the chosen face lacks come from a fallback face; none is missing", async () => {
  const word = await shaped("Żółćقद花");
  expect(word.missing).toBe("");
  expect(
    new Set(word.pieces.flatMap((piece) => piece.glyphs.map(({ font }) => font.id.split("/")[0]))).size,
  ).toBeGreaterThan(3);
});

test("a letter no shipped face has is reported", async () => {
  expect((await shaped("a\u{10ffff}b")).missing).toBe("\u{10ffff}");
});

test("Arabic letters are set right to left (UAX #9)", async () => {
  expect(bidiLevels("مرحبا").base).toBe(1);
  const text = "abc مرحبا";
  const stack = faceStack(book.catalogue, { family: "Lora", weight: 400 });
  await openWanted(book, () => filesWanted(text, stack, book));
  expect(itemise(text, bidiLevels(text).levels, stack, book).map(({ level }) => level)).toEqual([0, 1]);
});

test.each([
  // Examples of the Unicode line breaking algorithm (UAX #14): where a line may and may not be broken.
  ["one two", ["one ", "two"]],
  ["well-known", ["well-", "known"]],
  ["£24.00 (incl. tax)", ["£24.00 ", "(incl. ", "tax)"]],
  ["15\u00a0% off", ["15\u00a0% ", "off"]],
  ["日本語。春", ["日", "本", "語。", "春"]],
  ["don’t", ["don’t"]],
  ["a\nb", ["a\n", "b"]],
  ["👩‍🌾🌱", ["👩‍🌾", "🌱"]],
])("“%s” may be broken into %j", (text, expected) => {
  expect(textBreaks(text).map((one) => one.text)).toEqual(expected);
});

test.each([
  ["🌱", "1f331"],
  ["👩‍🌾", "1f469-200d-1f33e"],
  ["❤️", "2764"],
  ["🇯🇵", "1f1ef-1f1f5"],
  ["👍🏽", "1f44d-1f3fd"],
])("%s is the picture %s", (grapheme, code) => {
  expect(emojiCode(grapheme, book.emoji)).toBe(code);
});

test.each(["a", "©", "7", "❤\ufe0e"])("%s is a letter, not a picture", (grapheme) =>
  expect(emojiCode(grapheme, book.emoji)).toBeNull(),
);

test("unicode ranges are read, and broken ones named", () => {
  expect(parseUnicodeRange("U+0000-00FF, U+131")).toEqual([0, 0xff, 0x131, 0x131]);
  expect(() => parseUnicodeRange("U+zz")).toThrow("“U+zz”");
});

test("bytes that are no font are refused, naming the file", () => {
  expect(() => openFont(testBook(), "lora/latin/400", new Uint8Array(64))).toThrow("lora/latin/400");
});
