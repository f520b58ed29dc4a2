import { mediaFill } from "../document/shots";
import fc from "fast-check";
import { resolvePromotion } from "../document/resolve";
import { slotKey } from "../document/sceneTemplate";
import { leastScale } from "../geometry/affine";
import { levelLength, pyramidLevels } from "../geometry/pyramid";
import { rect } from "../geometry/rect";
import { USUAL_FORMATS } from "../placement/formats";
import { SHIPPED_TEMPLATES } from "../templates/shipped";
import { openWanted, testBook } from "../testing/fonts";
import { PICTURE_ID, promotionOf, testFacts, testPicture } from "../testing/promotions";
import { type DisplayNode } from "./displayList";
import { pictureLevel } from "./drawnLevel";
import { displayListAt, preparePromotion } from "./preparePromotion";
import { coverNode } from "./pictureNodes";
import { fontFilesWanted } from "./wantedFiles";
import { ticksOf } from "../time/ticks";

/**
 * How many output pixels a pixel of its working copy gets, for every picture that is not blurred: its movement included,
 * or its edges snapped to whole pixels.
 */
function drawingScales(list: readonly DisplayNode[], scale: number, moved = 1): number[] {
  return list.flatMap((node) => {
    if ("children" in node)
      return drawingScales(node.children, scale, node.kind === "transformed" ? moved * leastScale(node.map) : moved);
    if (node.kind !== "picture" || node.blur) return [];
    const level = pictureLevel(node, scale);
    const copied = levelLength(node.width, level) / node.width;
    const edge = (at: number): number => (moved === 1 ? Math.round(at * scale) : at * moved * scale);
    const { x, width } = node.place;
    return [(edge(x + width) - edge(x)) / (node.part.width * copied)];
  });
}

test("a picture that snapping makes smaller than half of its working copy is drawn from the next", () => {
  const picture = testPicture({ width: 2600, height: 1700, levels: 6 });
  // 250.2 by 425.3 pixels at 480p: from 89 to 339, 250 pixels for the 500.05 of the copy of half the size.
  const node = coverNode(picture, rect(200, 134, 563, 957));
  expect(pictureLevel(node, 480 / 1080)).toBe(2);
  const larger = coverNode(picture, rect(200, 134, 620, 1054));
  expect(pictureLevel(larger, 480 / 1080)).toBe(1);
});

test("no picture is drawn under half the size of its working copy, at any output size, while anything moves", async () => {
  const book = testBook();
  await fc.assert(
    fc.asyncProperty(
      fc.constantFrom(...SHIPPED_TEMPLATES),
      fc.record({ width: fc.integer({ min: 300, max: 4000 }), height: fc.integer({ min: 300, max: 4000 }) }),
      fc.constantFrom(160, 480, 1080, 2160),
      async (template, size, shortSide) => {
        const facts = testFacts();
        const picture = testPicture({ ...size, levels: pyramidLevels(size) });
        const fills = Object.fromEntries(
          template.scenes.flatMap((scene) =>
            scene.slots.flatMap((slot) =>
              slot.kind === "media" ? [[slotKey(scene, slot), mediaFill(PICTURE_ID)]] : [],
            ),
          ),
        );
        const promotion = resolvePromotion(
          { ...promotionOf(template), fills },
          {
            ...facts,
            media: { ...facts.media, [PICTURE_ID]: picture },
          },
        );
        await openWanted(book, () => fontFilesWanted(promotion, book));
        let compared = 0;
        for (const format of USUAL_FORMATS) {
          const prepared = preparePromotion(promotion, format, book);
          for (const { start } of promotion.spans)
            for (const time of [60, 120, 200, 280, 360, 2000])
              for (const drawn of drawingScales(displayListAt(prepared, ticksOf(start + time)), shortSide / 1080)) {
                expect(drawn).toBeGreaterThanOrEqual(0.5 - 1e-6);
                compared++;
              }
        }
        expect(compared).toBeGreaterThan(0);
      },
    ),
    { numRuns: 40 },
  );
});
