import { applyEdit, fillSlot } from "../document/edits";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { USUAL_FORMATS } from "../placement/formats";
import { newMemory, preparePromotion } from "../scene/preparePromotion";
import { fontFilesWanted } from "../scene/wantedFiles";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { withAllows } from "../testing/withAllows";
import { readingNeed } from "../time/reading";
import { type Finding } from "./finding";
import { type FindingMemory, findingsOf } from "./findings";
import { RULES } from "./rules";

const book = testBook();
const memory: FindingMemory = new WeakMap();
const prepared = newMemory();
async function found(document: Promotion, facts = testFacts()): Promise<Finding[]> {
  const promotion = resolvePromotion(document, facts);
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const formats = USUAL_FORMATS.map((format) => preparePromotion(promotion, format, book, prepared));
  return findingsOf({ document, promotion }, formats, memory);
}
const withWords = (slot: "hook.headline" | "product.line" | "offer.terms", text: string): Promotion =>
  applyEdit(testDocument(), fillSlot(slot, { kind: "words", text }));

test("rules have ids of their own and say what must hold", () => {
  expect(new Set(RULES.map(({ id }) => id)).size).toBe(RULES.length);
  for (const { about } of RULES) expect(about).toMatch(/^[A-Z].*\.$/);
});

test("what stays too short to be read is found once, with its numbers, and the cure makes it long enough", async () => {
  const text = "Come on Saturday and on Sunday too, from nine until six, and bring a friend who likes pots and plants";
  const document = withWords("hook.headline", text);
  const inHook = ({ rule, where }: Finding): boolean => rule === "reading-time" && where.scene === "hook";
  const own = (await found(document)).filter(inHook);
  expect(own).toEqual([
    {
      rule: "reading-time",
      severity: "wrong",
      where: { scene: "hook", format: null, slot: "hook.headline" },
      words: "too short to read",
      numbers: { needsMs: Math.round(readingNeed(text)), staysMs: 3000 },
      cures: [{ label: "Length", patch: [expect.objectContaining({ path: "/adjustments/hook/length" })] }],
    },
  ]);
  const [cure] = own.flatMap(({ cures }) => cures);
  const cured = cure ? applyEdit(document, cure) : document;
  expect((await found(cured)).filter(inHook)).toEqual([]);
});

test("a cure that the template locks is not offered", async () => {
  const text = "Come on Saturday and on Sunday too, from nine until six, and bring a friend who likes pots and plants";
  const templates = withAllows({ scene: "hook", allows: { timing: false } });
  const [own] = await found(withWords("hook.headline", text), testFacts({ templates }));
  expect(own).toMatchObject({ rule: "reading-time", cures: [] });
});

test("what does not fit is found in each format in which it does not, and a letter that no typeface has by its name", async () => {
  const long = await found(withWords("offer.terms", "Wheelbarrow ".repeat(13).trim()));
  const tooLong = long.filter(({ rule }) => rule === "words-fit");
  expect(tooLong.length).toBeGreaterThan(0);
  for (const { where, severity } of tooLong) {
    expect(severity).toBe("wrong");
    expect(where).toMatchObject({ scene: "offer", slot: "offer.terms" });
    expect(USUAL_FORMATS).toContain(where.format);
  }
  const strange = await found(withWords("product.line", "A \u{13080} on it"));
  expect(strange.filter(({ rule }) => rule === "letters-there")).toMatchObject([
    { words: "no typeface has “\u{13080}”", numbers: { letters: 1 }, where: { format: null, slot: "product.line" } },
  ]);
});

test("what is wrong comes first; a scene that is the very same is not looked at again", async () => {
  const document = withWords("product.line", "x".repeat(45));
  const [first, again] = [await found(document), await found(document)];
  expect(first.length).toBeGreaterThan(0);
  expect(first.map(({ severity }) => severity)).toEqual(
    first
      .map(({ severity }) => severity)
      .toSorted()
      .toReversed(),
  );
  // The very same objects: nothing was made anew.
  const inScenes = new Set(RULES.filter((rule) => "look" in rule).map(({ id }) => id));
  const kept = again.filter(({ rule }) => inScenes.has(rule));
  expect(kept.length).toBeGreaterThan(0);
  for (const finding of kept) expect(first.some((before) => before === finding)).toBe(true);
});

test("a promotion as its template has it has nothing wrong", async () => {
  expect((await found(testDocument())).filter(({ severity }) => severity === "wrong")).toEqual([]);
});
