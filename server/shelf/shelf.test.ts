import { newBrandBook, paletteOf } from "../../core/brand/book";
import { backdropRecipe, backdropsFor } from "./pictureService";
import { SHELF, SHELF_CATEGORIES, searchShelf } from "./shelfItems";
import { TUNES } from "./tunes";

const palette = paletteOf(newBrandBook());

test("the shelf has at least forty items, each once, in every category", () => {
  expect(SHELF.length).toBeGreaterThanOrEqual(40);
  expect(new Set(SHELF.map(({ slug }) => slug)).size).toBe(SHELF.length);
  expect(new Set(SHELF.map(({ category }) => category))).toEqual(new Set(SHELF_CATEGORIES));
});
test("every tune on it can be played", () => {
  for (const { recipe } of SHELF)
    if (recipe.kind === "tune") expect(TUNES.map(({ name }) => name)).toContain(recipe.tune);
});
test.each([
  ["wood table", "", 2],
  // What holds the word, and lights, which are festive.
  ["PARTY", "clips", 2],
  ["wood", "tunes", 0],
  ["", "sound effects", 20],
])("“%s” in %s finds %d", (words, category, count) => expect(searchShelf(words, category).items).toHaveLength(count));

test.each(["coffee", "people", "bakery", "wedding"])("something on the shelf goes with %s", (words) =>
  expect(searchShelf(words, "").items.length).toBeGreaterThan(0),
);

describe("the picture service", () => {
  test("gives four different motifs, the same for the same words and colours", () => {
    const four = backdropsFor("Fresh  herbs in SPRING ", palette);
    expect(new Set(four.map(({ motif }) => motif)).size).toBe(4);
    expect(backdropsFor("fresh herbs in spring", palette)).toEqual(four);
  });
  test("understands words", () => {
    expect(backdropsFor("leaves in the garden", palette)[0]?.motif).toBe("foliage");
    expect(backdropsFor("bread on a wooden table", palette)[0]?.motif).toBe("boards");
    expect(backdropsFor("candlelight party at night", palette).map(({ motif }) => motif)).toContain("lights");
  });
  test("draws in the brand's colours, and others when asked again", () => {
    expect(backdropsFor("sea", palette)[0]?.colors).toMatchObject({ ground: palette.ground, main: palette.primary });
    expect(backdropsFor("sea", palette, 1).map(({ seed }) => seed)).not.toEqual(
      backdropsFor("sea", palette).map(({ seed }) => seed),
    );
  });
  test.each([
    ["", 0, 0],
    ["sea", -1, 0],
    ["sea", 0, 4],
    ["sea", 0.5, 0],
    ["sea", Number.NaN, 0],
  ])("“%s”, round %d, number %d is none", (words, round, which) =>
    expect(backdropRecipe(words, palette, round, which)).toBeNull(),
  );
});
