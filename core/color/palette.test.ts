import fc from "fast-check";
import { contrastRatio } from "./contrast";
import { type Palette, inkFor } from "./palette";

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);
const palette: fc.Arbitrary<Palette> = fc.record({
  ground: hex,
  card: hex,
  ink: hex,
  primary: hex,
  accent: hex,
  sale: hex,
});

test("ink on any ground of any brand can be read", () => {
  fc.assert(
    fc.property(palette, hex, (colors, ground) =>
      expect(contrastRatio(inkFor(ground, colors), ground)).toBeGreaterThanOrEqual(4.5),
    ),
  );
});

test("the wished colour is kept when it reaches the contrast", () => {
  const colors: Palette = {
    ground: "#ffffff",
    card: "#eeeeee",
    ink: "#111111",
    primary: "#104030",
    accent: "#ff0000",
    sale: "#ff0000",
  };
  expect(inkFor("#ffffff", colors, ["primary", "ink"])).toBe("#104030");
  expect(inkFor("#104030", colors, ["primary", "card"])).toBe("#eeeeee");
});
