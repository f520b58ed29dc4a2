import fc from "fast-check";
import { CORNERS, type Corner } from "../brand/book";
import { type BrandFacts } from "../document/facts";
import { type Rect, bottom, contains, overlaps, rect, right } from "../geometry/rect";
import { formatOf, USUAL_FORMATS, type Shape, safeArea } from "../placement/formats";
import { openWanted, testBook } from "../testing/fonts";
import { TEST_BRAND, TEST_LOGO, testDocument, testFacts } from "../testing/promotions";
import { anyShape } from "../testing/scenes";
import { anyWords } from "../testing/words";
import { resolvePromotion } from "../document/resolve";
import { type DisplayNode, everyNode } from "./displayList";
import { displayListAt, preparePromotion, settledTime } from "./preparePromotion";
import { type PlacedSlot } from "./prepared";
import { fontFilesWanted } from "./wantedFiles";
import { watermark } from "./watermark";
import { ticksOf } from "../time/ticks";

const BRAND: BrandFacts = { ...TEST_BRAND, logos: [{ variant: "mark", picture: TEST_LOGO }] };
const wordsAt = (place: Rect): PlacedSlot => ({
  key: "hook.headline",
  kind: "words",
  part: "headline",
  place,
  text: "Come in",
  fitted: null,
  smallest: 20,
});
/** The corners of the safe area that a place fills: two where it is as wide as that. */
function cornersOf(place: Rect, shape: Shape): Corner[] {
  const safe = safeArea(shape);
  const near = (one: number, other: number): boolean => Math.abs(one - other) < 1e-6;
  const fills: Record<Corner, boolean> = {
    "top-left": near(place.y, safe.y) && near(place.x, safe.x),
    "top-right": near(place.y, safe.y) && near(right(place), right(safe)),
    "bottom-left": near(bottom(place), bottom(safe)) && near(place.x, safe.x),
    "bottom-right": near(bottom(place), bottom(safe)) && near(right(place), right(safe)),
  };
  return CORNERS.filter((one) => fills[one]);
}
const anyMark = fc.record({
  corner: fc.constantFrom(...CORNERS),
  size: fc.double({ min: 0.04, max: 0.3, noNaN: true }),
  opacity: fc.double({ min: 0.1, max: 1, noNaN: true }),
});

test("in any shape and corner it lies in the safe area, whole, as high as asked or less, never stretched", () => {
  fc.assert(
    fc.property(anyShape, anyMark, (shape, wanted) => {
      const mark = watermark(BRAND, wanted, { shape, slots: [] });
      expect(mark && contains(safeArea(shape), mark.place, 1e-6)).toBe(true);
      if (!mark) return;
      expect(cornersOf(mark.place, shape)).toContain(wanted.corner);
      expect(mark.place.height).toBeLessThanOrEqual(Math.min(shape.width, shape.height) * wanted.size + 1e-6);
      expect(mark.place.width / mark.place.height).toBeCloseTo(TEST_LOGO.width / TEST_LOGO.height, 6);
    }),
  );
});

test("a corner that words take is left to them: the next free one is taken, and none when all are taken", () => {
  const shape = formatOf("square");
  const safe = safeArea(shape);
  const half = safe.height / 2 - 100;
  const wanted = { corner: "top-left", size: 0.1, opacity: 0.7 } as const;
  const top = wordsAt(rect(safe.x, safe.y, safe.width, half));
  const bottom = wordsAt(rect(safe.x, safe.y + safe.height - half, safe.width, half));
  const moved = watermark(BRAND, wanted, { shape, slots: [top] });
  expect(moved && cornersOf(moved.place, shape)).toEqual([CORNERS.find((one) => one.startsWith("bottom"))]);
  expect(watermark(BRAND, wanted, { shape, slots: [top, bottom] })).toBeNull();
});

test("a picture does not keep it away, a brand without a logo has none, and one without a mark shows its logo", () => {
  const wanted = { corner: "top-left", size: 0.1, opacity: 0.7 } as const;
  const picture: PlacedSlot = { ...wordsAt(rect(0, 0, 1080, 1080)), kind: "picture" };
  expect(watermark(BRAND, wanted, { shape: formatOf("square"), slots: [picture] })).not.toBeNull();
  expect(watermark({ ...BRAND, logos: [] }, wanted, { shape: formatOf("square"), slots: [] })).toBeNull();
  const full = { ...BRAND, logos: [{ variant: "full" as const, picture: TEST_LOGO }] };
  expect(watermark(full, wanted, { shape: formatOf("square"), slots: [] })).not.toBeNull();
});

/** The layers of a frame that hold the mark: how see-through each is. */
const marksIn = (list: readonly DisplayNode[]): number[] =>
  list.flatMap((node) =>
    node.kind === "layer" && node.children.some((child) => child.kind === "picture" && child.media === TEST_LOGO.id)
      ? [node.alpha]
      : [],
  );

test("in a promotion it stands on every scene but the sign-off, at its opacity, clear of words, whatever they say", async () => {
  const book = testBook();
  await fc.assert(
    fc.asyncProperty(anyWords, fc.constantFrom(...CORNERS), async (text, wanted) => {
      const brand = { ...BRAND, watermark: { corner: wanted, size: 0.1, opacity: 0.6 } };
      const document = testDocument({ fills: { "hook.headline": { kind: "words", text } } });
      const promotion = resolvePromotion(document, testFacts({ brand }));
      await openWanted(book, () => fontFilesWanted(promotion, book));
      for (const format of USUAL_FORMATS) {
        const prepared = preparePromotion(promotion, format, book);
        for (const [index, scene] of prepared.scenes.entries()) {
          const span = promotion.spans[index];
          const marks = marksIn(displayListAt(prepared, ticksOf(span ? settledTime(span) : 0)));
          const slot = scene.slots.find(({ part }) => part === "watermark");
          const last = index === prepared.scenes.length - 1;
          expect(marks).toEqual(slot && !last ? [0.6] : []);
          expect(last && slot).toBeFalsy();
          if (!slot) continue;
          expect(contains(safeArea(formatOf(format)), slot.place, 1e-6)).toBe(true);
          const others = scene.slots.filter((other) => other !== slot && other.kind !== "picture");
          for (const other of others)
            expect(other.place.width > 0 && overlaps(other.place, slot.place, 1e-3)).toBe(false);
        }
        // A short word leaves every scene a corner.
        const shown = prepared.scenes.filter(({ slots }) => slots.some(({ part }) => part === "watermark"));
        if (text.length < 12) expect(shown).toHaveLength(prepared.scenes.length - 1);
      }
    }),
    { numRuns: 15 },
  );
});

test("without one in the brand book, no frame shows the mark by itself", async () => {
  const book = testBook();
  const promotion = resolvePromotion(testDocument(), testFacts({ brand: { ...BRAND, watermark: null } }));
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const prepared = preparePromotion(promotion, "square", book);
  for (const span of promotion.spans) {
    const list = displayListAt(prepared, ticksOf(settledTime(span)));
    expect(marksIn(list)).toEqual([]);
    expect([...everyNode(list)].length).toBeGreaterThan(0);
  }
});
