import { replaceCaptions } from "../document/captionEdits";
import { addPlacement, adjust, applyEdit, fillSlot } from "../document/edits";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { overlaps } from "../geometry/rect";
import { USUAL_FORMATS, type FormatName, formatOf } from "../placement/formats";
import { placementById } from "../placement/placements";
import { defined } from "../testing/defined";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { msOf, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { captionKey, isCaptionKey } from "./prepareCaption";
import { displayListAt, newMemory, preparePromotion } from "./preparePromotion";
import { sheetOf } from "./proofSheet";
import { fontFilesWanted } from "./wantedFiles";

const SPOKEN = Array.from({ length: 7 }, (_, at) => ({
  from: millis(at * 2000),
  to: millis(at * 2000 + 1900),
  text: at % 2 ? "A short one" : "A caption that is rather long, so that it takes two lines to be shown",
}));
const captioned = (document: Promotion = testDocument()): Promotion =>
  applyEdit(document, replaceCaptions(document, "en", SPOKEN, "Captions"));

const book = testBook();
async function prepared(document: Promotion, format: FormatName) {
  const promotion = resolvePromotion(document, testFacts());
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return preparePromotion(promotion, format, book);
}
const captionsOf = ({ items }: Awaited<ReturnType<typeof prepared>>) =>
  items.filter(({ what }) => isCaptionKey(what.id));

test.each(USUAL_FORMATS)(
  "in %s each caption is there in its time, inside the frame's safe part, and covers no words",
  async (format) => {
    const shape = await prepared(captioned(), format);
    const { width, height } = formatOf(format);
    const captions = captionsOf(shape);
    expect(captions.map(({ from, to }) => [msOf(from), msOf(to)])).toEqual(
      SPOKEN.map(({ from, to }) => [from, Math.min(to, shape.length)]),
    );
    for (const { from, to, what } of captions) {
      const { x, y, width: wide, height: high } = what.place;
      expect([x >= 0, x + wide <= width, y >= height * 0.049, y + high <= height * 0.951]).toEqual([
        true,
        true,
        true,
        true,
      ]);
      const words = shape.spans
        .filter(
          (span) => Math.min(span.end, msOf(to)) - Math.max(span.start, msOf(from)) >= (msOf(to) - msOf(from)) / 4,
        )
        .flatMap(({ index }) => defined(shape.scenes[index]).slots.filter(({ kind }) => kind === "words"));
      expect(words.length).toBeGreaterThan(0);
      expect(words.filter(({ place }) => overlaps(place, what.place, -1)).map(({ text }) => text)).toEqual([]);
    }
  },
);

test("they keep clear of what a chosen placement draws, and stand high where that is wished", async () => {
  const free = captionsOf(await prepared(captioned(), "vertical"));
  const placed = captioned(applyEdit(testDocument(), addPlacement(testDocument(), "vertical-full-screen")));
  const clear = captionsOf(await prepared(placed, "vertical"));
  const { width, height } = formatOf("vertical");
  const drawn = defined(placementById("vertical-full-screen")).furniture.map(({ place }) => ({
    x: place.x * width,
    y: place.y * height,
    width: place.width * width,
    height: place.height * height,
  }));
  expect(free.some(({ what }) => drawn.some((one) => overlaps(one, what.place, 0)))).toBe(true);
  expect(clear.some(({ what }) => drawn.some((one) => overlaps(one, what.place, 0)))).toBe(false);
  const high = captionsOf(
    await prepared(
      applyEdit(captioned(), adjust("captionsAt", "high", { target: { scene: "" }, layer: "@all" })),
      "vertical",
    ),
  );
  const middleOf = (all: typeof high): number => all.reduce((sum, { what }) => sum + what.place.y, 0) / all.length;
  expect(middleOf(high)).toBeLessThan(middleOf(free) - height * 0.2);
});

test("a desk's handles know nothing of them, and while nothing of them changes they are the very same", async () => {
  const shape = await prepared(captioned(), "square");
  expect(sheetOf({ ...shape, format: "square" }).items).toEqual([]);
  expect(displayListAt(shape, ticksOf(500)).length).toBe(displayListAt(shape, ticksOf(1950)).length + 1);
  const promotion = resolvePromotion(captioned(), testFacts());
  const memory = newMemory();
  const [one, other] = [0, 1].map(() => captionsOf(preparePromotion(promotion, "square", book, memory)));
  expect(other?.[0]?.what).toBe(one?.[0]?.what);
  expect(one?.[0]?.what.id).toBe(captionKey("cue-1"));
});

test("words that are just leaving send a caption nowhere; words that stay do", async () => {
  const at = async (from: number, to: number): Promise<number> => {
    const cue = { from: millis(from), to: millis(to), text: "A short one" };
    const document = applyEdit(testDocument(), replaceCaptions(testDocument(), "en", [cue], "Captions"));
    return defined(captionsOf(await prepared(document, "square"))[0]).what.place.y;
  };
  // The words of the first scene are there until 3.5 s; those of the next stand elsewhere.
  const [over, after, mostlyAfter] = [await at(1000, 3000), await at(3600, 6000), await at(3300, 6000)];
  expect(Math.abs(after - over)).toBeGreaterThan(100);
  expect(mostlyAfter).toBe(after);
});

test("words that grow beside captions leave them as they are set; another size or place sets them anew", async () => {
  const typed = (document: Promotion, text: string): Promotion =>
    applyEdit(document, fillSlot("hook.headline", { kind: "words", text }));
  const memory = newMemory();
  const shown = async (document: Promotion) => {
    const promotion = resolvePromotion(document, testFacts());
    await openWanted(book, () => fontFilesWanted(promotion, book));
    return captionsOf(preparePromotion(promotion, "square", book, memory)).map(({ what }) => what);
  };
  const first = await shown(typed(captioned(), "Pots for the"));
  const [longer, larger, higher] = [
    await shown(typed(captioned(), "Pots for the b")),
    await shown(
      applyEdit(
        typed(captioned(), "Pots for the b"),
        adjust("captionsSize", 1.3, { target: { scene: "" }, layer: "@all" }),
      ),
    ),
    await shown(
      applyEdit(
        typed(captioned(), "Pots for the b"),
        adjust("captionsAt", "high", { target: { scene: "" }, layer: "@all" }),
      ),
    ),
  ];
  expect(first.length).toBeGreaterThan(2);
  expect(longer.map((what, index) => what === first[index])).toEqual(first.map(() => true));
  expect(larger.map(({ place }, index) => place.height > defined(longer[index]).place.height)).toEqual(
    first.map(() => true),
  );
  expect(defined(higher[0]).place.y).toBeLessThan(defined(longer[0]).place.y);
});
