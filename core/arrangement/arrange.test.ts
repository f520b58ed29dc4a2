import fc from "fast-check";
import { ARRANGEMENT_NAMES, type ArrangementName, newArrangement } from "../document/arrangements";
import { type Facts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { type SlotKey } from "../document/sceneTemplate";
import { type Template } from "../document/template";
import { containPlace } from "../geometry/framing";
import { type Rect, bottom, contains, overlaps, rect, right, wholeOf } from "../geometry/rect";
import { formatOf, customShape, safeArea, type Shape } from "../placement/formats";
import { type PreparedShape, displayListAt, prepareIn } from "../scene/preparePromotion";
import { everyNode } from "../scene/displayList";
import { testBook } from "../testing/fonts";
import { PICTURE_ID, TEST_LOGO, testFacts, testPicture } from "../testing/promotions";
import { anyArrangement, anyShape, sceneOf, slotsFor } from "../testing/scenes";
import { triedScenes } from "../testing/tried";
import { anyWords } from "../testing/words";
import { mosaicTiles } from "./mosaic";
import { stackOf, stripsIn } from "./stack";
import { ticksOf } from "../time/ticks";

const book = testBook();

const prepared = async (
  scenes: Template["scenes"],
  shape: Shape,
  fills: Promotion["fills"] = {},
  facts: Partial<Facts> = {},
): Promise<PreparedShape> => prepareIn(await triedScenes(book, scenes, fills, facts), shape, null, book);

const size = fc
  .tuple(fc.integer({ min: 200, max: 4000 }), fc.double({ min: 0.25, max: 4, noNaN: true }))
  .map(([width, ratio]) => ({ width, height: Math.max(1, Math.round(width / ratio)) }));

/** Words, or none, for every words slot of an arrangement. */
function anyFills(name: ArrangementName): fc.Arbitrary<Promotion["fills"]> {
  const slots = slotsFor(name).flatMap((slot) =>
    slot.kind === "words" && slot.role !== "stars" && slot.role !== "link" ? [slot.id] : [],
  );
  return fc
    .tuple(...slots.map(() => fc.option(anyWords)))
    .map(
      (texts) =>
        Object.fromEntries(
          texts.map((text, index) => [`scene.${slots[index] ?? ""}`, { kind: "words", text: text ?? "" }]),
        ) as Promotion["fills"],
    );
}

const someProducts = fc
  .array(fc.tuple(anyWords, fc.integer({ min: 1, max: 999_999 })), { maxLength: 6 })
  .map((rows): Partial<Facts> => {
    const products = rows.map(([name, pence], index) => ({
      id: `p${index}`,
      name,
      line: "",
      price: `£${(pence / 100).toFixed(2)}`,
      picture: null,
    }));
    return {
      products: Object.fromEntries(products.map((product) => [product.id, product])),
      listed: products.map(({ id }) => id),
    };
  });

/** Everything that is not a picture and is there. */
const placedWords = ({ scenes }: PreparedShape): { part: string; place: Rect }[] =>
  scenes.flatMap(({ slots }) => slots.filter(({ kind, place }) => kind !== "picture" && place.width > 0));

describe.each(ARRANGEMENT_NAMES)("%s", (name) => {
  test("in any shape, with any words and pictures: inside the safe area, nothing overlaps, no type under its least size without a finding", async () => {
    await fc.assert(
      fc.asyncProperty(
        anyArrangement(name),
        anyShape,
        anyFills(name),
        size,
        size,
        someProducts,
        async (arrangement, shape, fills, picture, logo, rows) => {
          const facts = testFacts();
          const brand = { ...facts.brand, logos: [{ variant: "full" as const, picture: { ...TEST_LOGO, ...logo } }] };
          const made = await prepared([sceneOf(arrangement)], shape, fills, {
            brand,
            media: { ...facts.media, [PICTURE_ID]: testPicture(picture) },
            ...rows,
          });
          const safe = safeArea(shape);
          const placed = placedWords(made);
          for (const { part, place } of placed)
            expect([part, contains(safe, place, 1e-3) || place]).toEqual([part, true]);
          placed.forEach((one, index) =>
            placed
              .slice(index + 1)
              .forEach((other) =>
                expect([one.part, other.part, overlaps(one.place, other.place, 1e-3)]).toEqual([
                  one.part,
                  other.part,
                  false,
                ]),
              ),
          );
          for (const { fitted, smallest } of made.scenes.flatMap(({ slots }) => slots))
            if (fitted && fitted.lines.length > 0 && fitted.size < smallest) expect(fitted.fits).toBe(false);
        },
      ),
      { numRuns: 30 },
    );
  }, 120_000);

  test("pictures cover their places without a gap, at any moment", async () => {
    await fc.assert(
      fc.asyncProperty(
        anyArrangement(name),
        anyShape,
        size,
        fc.integer({ min: 0, max: 4000 }),
        async (arrangement, shape, picture, time) => {
          const made = await prepared(
            [sceneOf(arrangement)],
            shape,
            {},
            { media: { ...testFacts().media, [PICTURE_ID]: testPicture(picture) } },
          );
          for (const node of everyNode(displayListAt(made, ticksOf(time)))) {
            if (node.kind !== "picture" || node.media !== PICTURE_ID) continue;
            expect(contains(rect(0, 0, picture.width, picture.height), node.part, 1e-6)).toBe(true);
            expect(
              Math.abs(node.part.width / node.part.height / (node.place.width / node.place.height) - 1),
            ).toBeLessThan(1e-6);
          }
        },
      ),
      { numRuns: 15 },
    );
  });

  test("words added to one scene move nothing in another", async () => {
    const scenes = ["first", "second"].map((id) => ({
      ...sceneOf(
        newArrangement(name),
        slotsFor(name, Math.min(1, slotsFor(name).filter(({ kind }) => kind === "media").length)),
      ),
      id,
    }));
    const [words] = slotsFor(name).filter((slot) => slot.kind === "words" && slot.role !== "stars");
    const key: SlotKey = `first.${words?.id ?? ""}`;
    const second = async (text: string): Promise<unknown> =>
      (await prepared(scenes, formatOf("square"), { [key]: { kind: "words", text } })).scenes[1]?.slots.map(
        ({ place }) => place,
      );
    expect(await second("Short")).toEqual(
      await second("Everything on the bench, and a good deal more than that, said at some length"),
    );
  });

  test("an empty scene and one with a single word are arranged too", async () => {
    const bare = sceneOf(
      newArrangement(name),
      slotsFor(name, 0).map((slot) => ({ ...slot, required: false })),
    );
    for (const shape of [formatOf("square"), formatOf("portrait"), customShape(1, 3), customShape(3, 1)])
      expect((await prepared([bare], shape)).scenes).toHaveLength(1);
  });
});

test("three strips of 1920 × 816 make 1920 × 2448 with middles at −816, 0 and +816, to the unit (common practice)", () => {
  expect(stackOf({ width: 1920, height: 816 }, 3)).toEqual({ width: 1920, height: 2448, middles: [-816, 0, 816] });
  expect(stackOf({ width: 1920, height: 815 }, 3).height).not.toBe(2448);
  expect(stackOf({ width: 1920, height: 816 }, 3, 1).middles).not.toEqual([-816, 0, 816]);
  expect(stripsIn({ width: 1920, height: 2448 }, 3, 0, false)).toEqual([
    rect(0, 0, 1920, 816),
    rect(0, 816, 1920, 816),
    rect(0, 1632, 1920, 816),
  ]);
});

test("the heading of top-and-tail stays the very same from scene to scene, whatever the pictures' shapes and the lines", async () => {
  await fc.assert(
    fc.asyncProperty(anyShape, anyWords, size, size, anyWords, async (shape, heading, one, other, line) => {
      const at = async (picture: typeof one, text: string) => {
        const made = await prepared(
          [sceneOf(newArrangement("top-and-tail"), undefined, false)],
          shape,
          { "scene.headline": { kind: "words", text: heading }, "scene.line": { kind: "words", text } },
          { media: { [PICTURE_ID]: testPicture(picture) } },
        );
        return made.scenes[0]?.slots
          .filter(({ part }) => part === "headline")
          .map(({ place, fitted }) => [place, fitted?.size, fitted?.lines.length]);
      };
      expect(await at(other, line)).toEqual(await at(one, ""));
    }),
    { numRuns: 40 },
  );
});

test("a whole 16:9 picture in a square is 56.25 % as high, with bars of 236.25 units (common practice)", async () => {
  const made = await prepared(
    [sceneOf(newArrangement("top-and-tail"))],
    formatOf("square"),
    {},
    { media: { [PICTURE_ID]: testPicture({ width: 1920, height: 1080 }) } },
  );
  const [place] = made.scenes[0]?.slots.filter(({ kind }) => kind === "picture").map((slot) => slot.place) ?? [];
  expect(place).toEqual(rect(0, 236.25, 1080, 607.5));
  expect(containPlace({ width: 1920, height: 1080 }, wholeOf(formatOf("square"))).width / 1920).toBe(0.5625);
  expect(1080 - bottom(place ?? rect(0, 0, 0, 0))).toBe(236.25);
});

test("strips of any stack are of equal shape and fill the shape exactly, gaps included", () => {
  fc.assert(
    fc.property(
      anyShape,
      fc.integer({ min: 2, max: 5 }),
      fc.integer({ min: 0, max: 60 }),
      fc.boolean(),
      (shape, count, gap, beside) => {
        const strips = stripsIn(shape, count, gap, beside);
        const [start, length, whole] = beside
          ? (["x", "width", shape.width] as const)
          : (["y", "height", shape.height] as const);
        const gaps = strips
          .slice(1)
          .map((strip, index) => strip[start] - (strips[index]?.[start] ?? 0) - (strips[index]?.[length] ?? 0));
        expect(
          strips.reduce((sum, strip) => sum + strip[length], 0) + gaps.reduce((sum, one) => sum + one, 0),
        ).toBeCloseTo(whole, 6);
        expect(new Set(strips.map((strip) => strip[length].toFixed(6))).size).toBe(1);
        for (const one of gaps) expect(one).toBeGreaterThanOrEqual(gap - 1e-6);
        for (const one of gaps) expect(one).toBeLessThan(gap + count);
      },
    ),
  );
});

test("tiles of any mosaic fill the shape: areas and gaps add up, nothing overlaps, nothing sticks out", () => {
  fc.assert(
    fc.property(
      anyShape,
      fc.integer({ min: 1, max: 7 }),
      fc.integer({ min: 0, max: 60 }),
      fc.boolean(),
      fc.boolean(),
      (shape, count, gap, lying, withWords) => {
        const tiles = mosaicTiles(
          wholeOf(shape),
          count,
          gap,
          lying,
          withWords && count > 1 ? 0.8 : null,
          shape.safe.top,
        );
        expect(tiles).toHaveLength(count);
        tiles.forEach((one, index) =>
          tiles.slice(index + 1).forEach((other) => expect(overlaps(one, other, 1e-6)).toBe(false)),
        );
        expect(Math.max(...tiles.map(right))).toBeCloseTo(shape.width, 6);
        expect(Math.max(...tiles.map(bottom))).toBeCloseTo(shape.height, 6);
        if (gap === 0)
          expect(tiles.reduce((sum, { width, height }) => sum + width * height, 0)).toBeCloseTo(
            shape.width * shape.height,
            3,
          );
      },
    ),
  );
});

test("shapes beyond 1:3 and 3:1 are refused in words", () => {
  expect(() => customShape(10, 3)).toThrow("from 1:3 to 3:1");
  expect(customShape(4, 5)).toMatchObject({ width: 1080, height: 1350 });
});
