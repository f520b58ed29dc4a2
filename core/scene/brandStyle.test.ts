import fc from "fast-check";
import { contrastRatio } from "../color/contrast";
import { testBook } from "../testing/fonts";
import { TEST_BRAND } from "../testing/promotions";
import { brandStyle } from "./brandStyle";

const book = testBook();
const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);

test("whatever colours a brand has, its words can be read on each of its grounds (WCAG 2.2, 1.4.3)", () => {
  fc.assert(
    fc.property(fc.record({ ground: hex, card: hex, ink: hex, primary: hex, accent: hex, sale: hex }), (palette) => {
      const style = brandStyle({ ...TEST_BRAND, palette }, book);
      expect(contrastRatio(style.onShade, style.shade)).toBeGreaterThanOrEqual(4.5);
      expect(contrastRatio(style.onPlate, style.plate)).toBeGreaterThanOrEqual(4.5);
      for (const { ground, plain, strong, accent, badge, onBadge } of Object.values(style.on)) {
        for (const words of [plain, strong]) expect(contrastRatio(words, ground)).toBeGreaterThanOrEqual(4.5);
        expect(contrastRatio(onBadge, badge)).toBeGreaterThanOrEqual(4.5);
        // For large figures, stars and rules only (1.4.3 large, 1.4.11).
        expect(contrastRatio(accent, ground)).toBeGreaterThanOrEqual(3);
      }
    }),
  );
});

test("words on a picture can be read over its shade even where the picture is white", () => {
  const { shade, onShade } = brandStyle(TEST_BRAND, book);
  // The shade behind words is at least 60 % (common practice); white shines through the rest.
  const channel = (at: number): string =>
    Math.round(0.4 * 255 + 0.6 * Number.parseInt(shade.slice(at, at + 2), 16))
      .toString(16)
      .padStart(2, "0");
  expect(contrastRatio(onShade, `#${channel(1)}${channel(3)}${channel(5)}`)).toBeGreaterThanOrEqual(3);
});

test("a typeface that does not ship is named", () => {
  expect(() =>
    brandStyle({ ...TEST_BRAND, faces: { ...TEST_BRAND.faces, headline: { family: "Elsewhere", weight: 700 } } }, book),
  ).toThrow("Elsewhere");
});
