import { adjust, applyEdit, fillSlot, putItem } from "../document/edits";
import { type Edit } from "../document/edit";
import { resolvePromotion } from "../document/resolve";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { inCapitals } from "../type/capitals";
import { paintedText } from "./paintedText";
import { preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const HEADLINE = { target: { scene: "hook", slot: "headline" } };
const headline = (text: string): Edit => fillSlot("hook.headline", { kind: "words", text });
const own = (text: string): Edit =>
  putItem("1", { kind: "words", role: "line", text, order: "a1", from: "hook", to: "hook" });

/** What is painted of the first scene and over it, in square and vertical. */
async function painted(...edits: readonly Edit[]): Promise<string[]> {
  const promotion = resolvePromotion(edits.reduce(applyEdit, testDocument()), testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return (["square", "vertical"] as const).map((format) => {
    const { scenes, items } = preparePromotion(promotion, format, book);
    return [scenes[0], ...items.map(({ what }) => what)].map((set) => (set ? paintedText(set, {}) : "")).join("\n");
  });
}

test("words set in capitals are painted as if they were written so, and read as they were written", async () => {
  const [written, set, plain] = [
    await painted(headline("STRASSE, ÉTÉ")),
    await painted(headline("Straße, été"), adjust("capitals", true, HEADLINE)),
    await painted(headline("Straße, été")),
  ];
  expect(set).toEqual(written);
  expect(set).not.toEqual(plain);
  const document = [headline("Straße"), adjust("capitals", true, HEADLINE)].reduce(applyEdit, testDocument());
  expect(resolvePromotion(document, testFacts()).scenes[0]?.words["headline"]).toBe("Straße");
});

test("capitals can be set in one format alone, and for words of one's own", async () => {
  const inVertical = adjust("capitals", true, { ...HEADLINE, layer: "scene@format", format: "vertical" });
  const [square, vertical] = await painted(headline("Come in"), inVertical);
  const [small, large] = [await painted(headline("Come in")), await painted(headline("COME IN"))];
  expect([square, vertical]).toEqual([small[0], large[1]]);
  expect(await painted(own("at nine"), adjust("capital", true, { target: { item: "1" } }))).toEqual(
    await painted(own("AT NINE")),
  );
});

test("case follows Unicode, whatever the machine's language: dotted and dotless, ligatures, other scripts", () => {
  // SpecialCasing.txt and UnicodeData.txt of the Unicode Character Database.
  expect(inCapitals("ırmak istanbul ﬁn ά ß")).toBe("IRMAK ISTANBUL FIN Ά SS");
  expect(inCapitals("日本 عربي 12")).toBe("日本 عربي 12");
});
