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
