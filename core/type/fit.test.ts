import fc from "fast-check";
import { type Rect } from "../geometry/rect";
import { type FontBook } from "./fontBook";
import { openWanted, testBook } from "../testing/fonts";
import { faceStack } from "./faces";
import { balanceLines } from "./lines";
import { type FitRule, fitWords } from "./fit";
import { filesWanted } from "./itemise";
import { outlineBounds } from "./outline";
import { paragraph } from "./paragraph";
import { anyWords } from "../testing/words";

const rule: FitRule = { smallest: 40, largest: 120, mostLines: 3, leading: 1.05, align: "start" };
const box = { width: 700, height: 360 };

let book: FontBook;
beforeAll(() => {
  book = testBook();
});

async function fit(text: string, wanted: Partial<FitRule> = {}, size = box) {
  const stack = faceStack(book.catalogue, { family: "Bricolage Grotesque", weight: 800 });
  await openWanted(book, () => filesWanted(text, stack, book));
  return fitWords(paragraph(text, stack, book), size, { ...rule, ...wanted });
}

test("short words take the largest size on one line", async () => {
  const words = await fit("Hello");
  expect(words).toMatchObject({ size: 120, fits: true });
  expect(words.lines).toHaveLength(1);
});

test("no words take no room and count as fitting", async () => {
  expect(await fit("")).toMatchObject({ width: 0, height: 0, fits: true, lines: [] });
});

test("lines are balanced: a last word does not stand alone where it need not", async () => {
  const words = await fit("Bring the potting bench to life again", { largest: 60 });
  const widths = words.lines.map((line) => line.width);
  expect(widths.length).toBe(2);
  expect(Math.min(...widths) / Math.max(...widths)).toBeGreaterThan(0.7);
});

test.each([
  "The weekend comes in a box",
  "Bring the whole potting bench to life again now",
  "Supper starts on the sill by the door",
])("“%s”: no word stands alone at the end, at any width where the line before can spare one", async (text) => {
  const stack = faceStack(book.catalogue, { family: "Bricolage Grotesque", weight: 800 });
  await openWanted(book, () => filesWanted(text, stack, book));
  const { words } = paragraph(text, stack, book);
  const longest = Math.max(...words.map(({ shaped }) => shaped.advance));
  for (let width = longest; width < longest * 4; width += 0.1) {
    const counts = balanceLines(words, width).map(
      ({ pieces }) =>
        words.filter(
          ({
            shaped: {
              pieces: [first],
            },
          }) => first !== undefined && pieces.includes(first),
        ).length,
    );
    expect(counts.reduce((sum, count) => sum + count, 0)).toBe(words.length);
    const spared =
      (words.at(-2)?.shaped.advance ?? 0) + (words.at(-2)?.space?.advance ?? 0) + (words.at(-1)?.shaped.advance ?? 0) <=
      width;
    if ((counts.at(-2) ?? 0) >= 3 && spared) expect(counts.at(-1)).toBeGreaterThan(1);
  }
});

test("words that cannot fit at the smallest size say so, stay in the box and lose nothing", async () => {
  const words = await fit("Unbelievablyextraordinarilylongsinglewordwithoutanyspaces ".repeat(3).trim());
  expect(words.fits).toBe(false);
  expect(words.size).toBeLessThanOrEqual(rule.smallest);
  for (const line of words.lines) expect(line.x + line.width).toBeLessThanOrEqual(box.width + 1e-3);
});

test("right-to-left words stand at the right by default", async () => {
  const words = await fit("مرحبا بكم في المتجر الصغير", { largest: 100 }, { width: 420, height: 400 });
  expect(words.lines.length).toBeGreaterThan(1);
  const ends = words.lines.map((line) => line.x + line.width);
  expect(Math.max(...ends) - Math.min(...ends)).toBeLessThan(1e-6);
});

test("an emoji is a picture in the line, not a letter", async () => {
  const words = await fit("New 🌱 seeds");
  expect(words.lines.flatMap((line) => line.emoji.map(({ code }) => code))).toEqual(["1f331"]);
  expect(words.missing).toBe("");
});

test("ink of any words stays in the box, in any script", async () => {
  await fc.assert(
    fc.asyncProperty(anyWords, async (text) => {
      const words = await fit(text);
      expect(words.width).toBeLessThanOrEqual(box.width + 1e-6);
      expect(words.height).toBeLessThanOrEqual(box.height + 1e-6);
      if (words.fits) expect(words.size).toBeGreaterThanOrEqual(rule.smallest);
      for (const line of words.lines) {
        const ink = outlineBounds(line.outline);
        if (!ink) continue;
        expect(ink.y).toBeGreaterThanOrEqual(-0.5);
        expect(ink.y + ink.height).toBeLessThanOrEqual(box.height + 0.5);
      }
    }),
    { numRuns: 60 },
  );
});

test("longer words never get larger type", async () => {
  await fc.assert(
    fc.asyncProperty(anyWords, anyWords, async (text, more) => {
      const [shorter, longer] = [await fit(text), await fit(`${text} ${more}`)];
      expect(longer.size).toBeLessThanOrEqual(shorter.size);
    }),
    { numRuns: 60 },
  );
});

describe("words beside a number", () => {
  /** Where the ink of a line begins and ends. */
  function inkOf({ outline }: { readonly outline: readonly number[] }): Rect {
    const bounds = outlineBounds(outline);
    if (!bounds) throw new Error("The line is empty.");
    return bounds;
  }
  const STEPS = "9.\tStand the pots in water for an hour before you plant them\n10.\tWait";

  test.each(["start", "centre"] as const)(
    "hang: further lines and other items begin below the first (%s)",
    async (align) => {
      const narrow = { width: 700, height: 900 };
      const words = await fit(STEPS, { smallest: 60, largest: 60, mostLines: 9, align }, narrow);
      expect(words.fits).toBe(true);
      expect(words.lines.length).toBeGreaterThan(3);
      const [first, ...further] = words.lines.slice(0, -1);
      const last = words.lines.at(-1);
      if (!first || !last) throw new Error("There are lines.");
      const starts = further.map((line) => inkOf(line).x);
      // Each letter has a little room of its own before it.
      for (const start of starts) expect(Math.abs(start - (starts[0] ?? 0))).toBeLessThan(6);
      const afterNumber = first.letters.find(({ word }) => word === 1);
      const afterTen = last.letters.find(({ word }) => word === 1);
      expect(Math.abs((afterNumber?.x ?? 0) - (starts[0] ?? 0))).toBeLessThan(6);
      expect(afterTen?.x).toBeCloseTo(afterNumber?.x ?? 0, 6);
      expect(inkOf(first).x).toBeLessThan((starts[0] ?? 0) - 40);
      for (const line of words.lines) expect(line.width).toBeLessThanOrEqual(700 + 1e-6);
    },
  );

  test("a number never stands alone at a line's end, and read from the right the words hang from their right", async () => {
    const words = await fit("1.\tUnabbreviatable", { smallest: 40, largest: 40 }, { width: 260, height: 300 });
    expect(words.lines[0]?.letters.some(({ word }) => word > 0)).toBe(true);
    const arabic = await fit(
      "1.\tازرع البذور في تربة رطبة واتركها قرب النافذة",
      { smallest: 60, largest: 60, mostLines: 9 },
      { width: 520, height: 900 },
    );
    expect(arabic.lines.length).toBeGreaterThan(1);
    const ends = arabic.lines.map((line) => {
      const { x, width } = inkOf(line);
      return x + width;
    });
    for (const end of ends.slice(1)) expect(end).toBeLessThan((ends[0] ?? 0) - 30);
  });
});
