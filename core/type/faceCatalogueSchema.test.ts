import { readFaceCatalogue } from "./faceCatalogueSchema";

const CATALOGUE = {
  faces: { "lora/700": [{ id: "lora/latin/700", ranges: [0, 255, 305, 305] }] },
  fallback: ["noto-sans"],
  emoji: ["1f331"],
};

test("the list of typefaces is read as it was sent", () => {
  const sent: unknown = JSON.parse(JSON.stringify(CATALOGUE));
  expect(readFaceCatalogue(sent)).toEqual(CATALOGUE);
});

test.each<[string, unknown, RegExp]>([
  ["a page where the list should be", "<html>", /object/],
  ["no faces", { ...CATALOGUE, faces: undefined }, /faces/],
  ["a file without ranges", { ...CATALOGUE, faces: { "lora/700": [{ id: "lora/latin/700" }] } }, /ranges/],
  ["a file with a word for a range", { ...CATALOGUE, faces: { "lora/700": [{ id: "a", ranges: ["U+0"] }] } }, /ranges/],
  ["faces that are no lists", { ...CATALOGUE, faces: { "lora/700": { id: "lora" } } }, /array/],
  ["emoji by number", { ...CATALOGUE, emoji: [128049] }, /emoji/],
])("%s is refused, and what is wrong is named", (_, value, problem) => {
  expect(() => readFaceCatalogue(value)).toThrow(problem);
});
