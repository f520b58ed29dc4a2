import fc from "fast-check";
import { freeSlug, slugOf } from "./slug";

test.each([
  ["Potting week, terracotta", "potting-week-terracotta"],
  ["Été à l’atelier", "ete-a-l-atelier"],
  ["Sale", "promotion-sale"],
  ["花", "promotion-untitled"],
])("“%s” becomes %s", (name, slug) => expect(slugOf(name)).toBe(slug));

test("any name gives a slug of at least two words", () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 120 }), (name) => expect(slugOf(name)).toMatch(/^[a-z0-9]+(-[a-z0-9]+)+$/)),
  );
});

test("a taken slug gets the first free number", () => {
  expect(freeSlug("a-b", new Set(["a-b", "a-b-2"]))).toBe("a-b-3");
});

test("an address is never longer than addresses are, whatever the name and however many have it", () => {
  const long = slugOf("w".repeat(5000));
  expect(long).toHaveLength(60);
  const many = slugOf(Array.from({ length: 20 }, () => "wwwwwwwww").join(" "));
  expect(many.length).toBeLessThanOrEqual(60);
  const taken = new Set([long]);
  for (let copy = 0; copy < 12; copy++) taken.add(freeSlug(long, taken));
  expect(taken.size).toBe(13);
  expect([...taken].every((slug) => slug.length <= 60 && /^[a-z0-9-]*[a-z0-9]$/.test(slug))).toBe(true);
});
