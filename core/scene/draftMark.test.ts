import { contrastRatio } from "../color/contrast";
import { bottom, overlaps, right } from "../geometry/rect";
import { NAMED_FORMATS, formatOf, formatOfRatio, safeArea } from "../placement/formats";
import { openWanted, testBook } from "../testing/fonts";
import { testDocument, testFacts } from "../testing/promotions";
import { resolvePromotion } from "../document/resolve";
import { ticksOf } from "../time/ticks";
import { type ShapeNode, type StillNode } from "./displayList";
import { withDraftMark } from "./draftMark";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { fontFilesWanted } from "./wantedFiles";

const book = testBook();
const promotion = resolvePromotion(testDocument(), testFacts());
beforeAll(() => openWanted(book, () => fontFilesWanted(promotion, book)));

const FORMATS = [...NAMED_FORMATS, formatOfRatio(5, 7), formatOfRatio(3, 1)];

/** The mark over a frame: the last thing that is painted. */
function markAt(format: (typeof FORMATS)[number], ms: number): StillNode {
  const marked = withDraftMark(preparePromotion(promotion, format, book), promotion, book);
  const last = displayListAt(marked, ticksOf(ms)).at(-1);
  if (last?.kind !== "still") throw new Error("There is no mark.");
  return last;
}

test.each(FORMATS)("in %s it lies over everything from the first frame to the last, in the margin alone", (format) => {
  for (const ms of [0, promotion.length / 2, promotion.length]) {
    const { bounds } = markAt(format, ms);
    const frame = formatOf(format);
    expect(overlaps(bounds, safeArea(frame))).toBe(false);
    expect([bounds.x, bounds.y].every((edge) => edge > 0)).toBe(true);
    expect(bottom(bounds)).toBeLessThan(frame.height / 15);
    expect(right(bounds)).toBeLessThan(frame.width / 5);
  }
});

test("its word can be read on its pill, whatever is under it, and its pill is told from dark and light", () => {
  const shapes = markAt("square", 0).children.filter((node): node is ShapeNode => node.kind === "shape");
  const [ring, pill, word] = shapes.map(({ ink }) => ink);
  expect(shapes).toHaveLength(3);
  expect(contrastRatio(word ?? "", pill ?? "")).toBeGreaterThan(4.5);
  expect(contrastRatio(ring ?? "", pill ?? "")).toBeGreaterThan(3);
});
