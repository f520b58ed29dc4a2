import fc from "fast-check";
import { applyEdit, inverseOf, putItem } from "../document/edits";
import { itemKey } from "../document/itemKey";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { preparePromotion } from "../scene/preparePromotion";
import { sheetOf } from "../scene/proofSheet";
import { fontFilesWanted } from "../scene/wantedFiles";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { readTexts } from "./readTexts";
import { setTime, snapped, wholeTime } from "./timeEdits";

const book = testBook();
/** A promotion with its scenes in time and its texts. */
async function timed(document: Promotion) {
  const promotion = resolvePromotion(document, testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const prepared = preparePromotion(promotion, "square", book);
  const spans = promotion.spans.map((span) => ({ ...span, id: defined(promotion.scenes[span.index]).id }));
  return { promotion, prepared, spans, texts: readTexts(promotion, sheetOf(prepared)) };
}
const headline = "hook.headline" as const;

test("a headline comes and goes when it is told to: in what is read, and in what is painted", async () => {
  const { spans } = await timed(testDocument());
  const edit = defined(setTime(testDocument(), spans, headline, { from: 1200, to: 2600 }));
  const later = applyEdit(testDocument(), edit);
  const { texts, prepared } = await timed(later);
  expect(texts.find(({ key }) => key === headline)).toMatchObject({ from: 1200, to: 2600 });
  const moving = prepared.scenes[0]?.parts.filter((part) => part.kind === "moving") ?? [];
  const length = defined(prepared.scenes[0]).length;
  expect(moving.map(({ enters, until }) => [enters >= 1200, until === length - (length - 2600)])).toContainEqual([
    true,
    true,
  ]);
  // Pulled back to all of its scene it is as usual again, and nothing is kept of it.
  const whole = defined(wholeTime(later, spans, headline));
  expect(applyEdit(later, defined(setTime(later, spans, headline, whole)))).toEqual(testDocument());
  expect(applyEdit(later, inverseOf(testDocument(), edit))).toEqual(testDocument());
});

test("an item over two scenes is timed within both; what is not there has no time", async () => {
  const item = { kind: "words", role: "label", text: "All week", from: "hook", to: "product", order: "a0" } as const;
  const document = applyEdit(testDocument(), putItem("badge", item));
  const { spans } = await timed(document);
  const key = itemKey("badge");
  const whole = defined(wholeTime(document, spans, key));
  expect(whole).toEqual({ from: 0, to: defined(spans[1]).end });
  const set = applyEdit(document, defined(setTime(document, spans, key, { from: 900, to: whole.to - 400 })));
  expect(set.adjustments["item:badge"]).toEqual({ starts: 900, ends: 400 });
  expect(resolvePromotion(set, testFacts()).items[0]).toMatchObject({
    from: 900 * 705_600,
    to: (whole.to - 400) * 705_600,
  });
  expect(setTime(document, spans, "gone.headline", { from: 0, to: 900 })).toBeNull();
});

test("however it is pulled, it stays within its scene and can be seen", async () => {
  const { spans } = await timed(testDocument());
  const second = defined(spans[1]);
  const any = fc.integer({ min: -20_000, max: 40_000 });
  fc.assert(
    fc.property(any, any, (from, to) => {
      const edit = defined(setTime(testDocument(), spans, "product.name", { from, to }));
      const { comesAt = 0, goesBefore = 0 } = applyEdit(testDocument(), edit).adjustments["product.name"] ?? {};
      expect(comesAt).toBeGreaterThanOrEqual(0);
      expect(goesBefore).toBeGreaterThanOrEqual(0);
      expect(second.end - second.start - comesAt - goesBefore).toBeGreaterThanOrEqual(200);
    }),
  );
});

test("what is pulled snaps to the nearest time within reach, and to none beyond", () => {
  expect(snapped(1040, [1000, 1100, 2000], 80)).toBe(1000);
  expect(snapped(1060, [1000, 1100, 2000], 80)).toBe(1100);
  expect(snapped(1500, [1000, 1100, 2000], 80)).toBe(1500);
  expect(snapped(1500, [], 80)).toBe(1500);
});
