import fc from "fast-check";
import { newArrangement } from "../document/arrangements";
import { type Facts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { testBook } from "../testing/fonts";
import { anyShape, sceneOf } from "../testing/scenes";
import { triedScenes } from "../testing/tried";
import { anyWords } from "../testing/words";
import { prepareIn } from "./preparePromotion";
import { type PlacedSlot } from "./prepared";

const book = testBook();
/** The sizes of all that fits: what does not is set under the least size, with a finding, and pulls no other down with it. */
const sizes = (slots: readonly PlacedSlot[], part: string): number[] => [
  ...new Set(
    slots.flatMap(({ part: own, fitted }) =>
      own === part && fitted?.fits && fitted.lines.length > 0 ? [fitted.size] : [],
    ),
  ),
];

test("all steps are set in one size, whatever is in them, in any shape", async () => {
  await fc.assert(
    fc.asyncProperty(anyShape, fc.array(anyWords, { minLength: 2, maxLength: 5 }), async (shape, texts) => {
      const fills = Object.fromEntries(
        texts.map((text, index) => [`scene.step-${index + 1}`, { kind: "words", text }]),
      ) as Promotion["fills"];
      const [scene] = prepareIn(
        await triedScenes(book, [sceneOf(newArrangement("steps"))], fills),
        shape,
        null,
        book,
      ).scenes;
      expect(sizes(scene?.slots ?? [], "step").length).toBeLessThanOrEqual(1);
      expect(sizes(scene?.slots ?? [], "number").length).toBeLessThanOrEqual(1);
    }),
    { numRuns: 60 },
  );
});

test("all rows of a price list have names of one size and prices of one size", async () => {
  await fc.assert(
    fc.asyncProperty(
      anyShape,
      fc.array(fc.tuple(anyWords, fc.integer({ min: 1, max: 9_999_999 })), { minLength: 2, maxLength: 6 }),
      async (shape, rows) => {
        const products: Facts["products"] = Object.fromEntries(
          rows.map(([name, pence], index) => [
            `p${index}`,
            { id: `p${index}`, name, line: "", price: `£${(pence / 100).toFixed(2)}`, picture: null },
          ]),
        );
        const [scene] = prepareIn(
          await triedScenes(
            book,
            [sceneOf(newArrangement("price-list"))],
            {},
            { products, listed: Object.keys(products) },
          ),
          shape,
          null,
          book,
        ).scenes;
        expect(sizes(scene?.slots ?? [], "row-name").length).toBeLessThanOrEqual(1);
        expect(sizes(scene?.slots ?? [], "row-price")).toHaveLength(1);
      },
    ),
    { numRuns: 60 },
  );
});
