import { applyEdit, fillSlot, inverseOf } from "./edits";
import { type Wanted, replaceWords, timesIn, wordsPlaces } from "./findWords";
import { addItem } from "./itemEdits";
import { itemKey } from "./itemKey";
import { WORDS_PRESETS } from "./itemPresets";
import { type Promotion } from "./promotion";
import { resolvePromotion } from "./resolve";
import { type SlotKey } from "./sceneTemplate";
import { defined } from "../testing/defined";
import { testDocument, testFacts } from "../testing/promotions";
import { withAllows } from "../testing/withAllows";

const asked = (words: string, more: Partial<Wanted> = {}): Wanted => ({
  words,
  matchCase: false,
  wholeWords: false,
  ...more,
});
const written = (fills: Readonly<Record<SlotKey, string>>): Promotion =>
  (Object.entries(fills) as [SlotKey, string][]).reduce(
    (document, [key, text]) => applyEdit(document, fillSlot(key, { kind: "words", text })),
    testDocument(),
  );
const placesOf = (document: Promotion, free = false) =>
  wordsPlaces(document, resolvePromotion(document, testFacts()), free);

test("words are found in any case, as wanted in their own, and as whole words; signs of patterns are signs", () => {
  expect(timesIn("Pot, pots and POT", asked("pot"))).toBe(3);
  expect(timesIn("Pot, pots and POT", asked("Pot", { matchCase: true }))).toBe(1);
  expect(timesIn("Pot, pots and POT", asked("pot", { wholeWords: true }))).toBe(2);
  expect(timesIn("Größe größer", asked("GRÖSSE"))).toBe(0);
  expect(timesIn("Größe größer", asked("größe", { wholeWords: true }))).toBe(1);
  expect(timesIn("£9.50 (each)", asked("9.50 ("))).toBe(1);
  expect(timesIn("£9x50", asked("9.50"))).toBe(0);
  expect(timesIn("a-b a/b a\\b", asked("a\\b"))).toBe(1);
  expect(timesIn("anything", asked(""))).toBe(0);
});

test("one step replaces them in all scenes and over them, and undo brings all back to the byte", () => {
  const label = defined(WORDS_PRESETS.find(({ title }) => title === "Label"));
  let document = written({ "hook.headline": "Spring is here", "product.line": "Spring only, in spring" });
  const { id, edit: put } = addItem(document, "hook", {
    ...label,
    item: { kind: "words", role: "label", text: "SPRING" },
  });
  document = applyEdit(document, put);
  const edit = defined(replaceWords(document, placesOf(document), asked("spring"), "$& summer"));
  const after = applyEdit(document, edit);
  expect(after.fills["hook.headline"]).toEqual({ kind: "words", text: "$& summer is here" });
  expect(after.fills["product.line"]).toEqual({ kind: "words", text: "$& summer only, in $& summer" });
  expect(after.items[id]).toMatchObject({ text: "$& summer" });
  expect(JSON.stringify(applyEdit(after, inverseOf(document, edit)))).toBe(JSON.stringify(document));
  expect(replaceWords(after, placesOf(after), asked("autumn"), "winter")).toBeNull();
});

test("what follows the catalogue is left as it is until it is written over, and what is locked is left to designers", () => {
  const document = testDocument();
  const name = defined(placesOf(document).find(({ key }) => key === "product.name"));
  expect(name.kept).toBe("from elsewhere");
  expect(replaceWords(document, [name], asked(name.text), "Mine")).toBeNull();
  const own = written({ "product.name": name.text });
  expect(placesOf(own).find(({ key }) => key === "product.name")?.kept).toBeNull();
  const templates = withAllows({ scene: "hook", slot: "headline", allows: { content: false } });
  const locked = resolvePromotion(written({ "hook.headline": "Hello" }), testFacts({ templates }));
  const keptFor = (free: boolean) =>
    wordsPlaces(written({ "hook.headline": "Hello" }), locked, free).find(({ key }) => key === "hook.headline")?.kept;
  expect([keptFor(false), keptFor(true)]).toEqual(["locked", null]);
});

test("words that would become too long are refused by name, and nothing is replaced", () => {
  const document = written({ "hook.headline": "a".repeat(80) });
  expect(() => replaceWords(document, placesOf(document), asked("a"), "abc")).toThrow(
    /^“Headline: Headline” would have more than 160 characters/,
  );
  expect(placesOf(document).some(({ key }) => key === itemKey("none"))).toBe(false);
});
