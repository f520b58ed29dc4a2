import Color from "colorjs.io";
import { wcagContrast } from "culori";
import fc from "fast-check";
import { colorWord, colorWords } from "./colorNames";
import { contrastRatio } from "./contrast";
import { alikeRoles, colorDifference } from "./difference";
import { dominantColors } from "./dominant";
import {
  type PaletteFile,
  readCss,
  readGpl,
  readPaletteFile,
  readTokens,
  writePaletteFile,
  PALETTE_FORMATS,
} from "./paletteFiles";
import { reachContrast } from "./reachContrast";
import { COLOR_NOTATIONS, parseColor, writeColor } from "./typedColor";

const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, "0")}`);

describe("colours as people write them", () => {
  test.each([["#2F6B4F"], ["2f6b4f"], ["rgb(47, 107, 79)"], ["rgb(47 107 79)"], ["47, 107, 79"], ["47 107 79"]])(
    "“%s” is #2f6b4f",
    (typed) => expect(parseColor(typed)).toBe("#2f6b4f"),
  );
  test.each([[""], ["vermilionish"], ["#12345"], ["rgb(1 2)"], ["#2f6b4f80"]])(
    "“%s” is refused with examples",
    (typed) => expect(() => parseColor(typed)).toThrow(/not a colour.*oklch/),
  );

  test("hex, RGB, HSL and OKLCH read back to the same colour", () => {
    fc.assert(
      fc.property(hex, fc.constantFrom(...COLOR_NOTATIONS), (color, notation) =>
        expect(parseColor(writeColor(color, notation))).toBe(color),
      ),
    );
  });
  test("they mean the same to colorjs.io", () => {
    fc.assert(
      fc.property(hex, fc.constantFrom("hsl" as const, "oklch" as const), (color, notation) => {
        const theirs = new Color(writeColor(color, notation))
          .to("srgb")
          .coords.map((channel) => Math.max(0, Math.round(Number(channel) * 255)));
        expect(theirs).toEqual([1, 3, 5].map((at) => Number.parseInt(color.slice(at, at + 2), 16)));
      }),
    );
  });
});

test("CIEDE2000 agrees with colorjs.io, given the same Lab (ours is of D65, theirs of D50)", () => {
  const lab = (color: string): Color => new Color("lab", new Color(color).to("lab-d65").coords);
  fc.assert(
    fc.property(hex, hex, (one, other) =>
      expect(colorDifference(one, other)).toBeCloseTo(lab(one).deltaE(lab(other), "2000"), 2),
    ),
  );
});

describe("contrast that is reached", () => {
  test("the suggestion reaches it, keeps its hue, and is the one it was if that was enough (contrast by culori, hue by colorjs.io)", () => {
    fc.assert(
      fc.property(hex, hex, fc.constantFrom(3, 4.5, 7), (color, ground, wanted) => {
        const found = reachContrast(color, ground, wanted);
        if (found === null) {
          expect(Math.max(contrastRatio("#000000", ground), contrastRatio("#ffffff", ground))).toBeLessThan(
            wanted + 0.02,
          );
          return;
        }
        // culori has the weights of WCAG 2.2 (0.2126, 0.7152, 0.0722) as they are written there; colorjs.io has more digits.
        expect(wcagContrast(found, ground)).toBeGreaterThanOrEqual(wanted - 1e-9);
        if (contrastRatio(color, ground) >= wanted) expect(found).toBe(color);
        const [before, after] = [new Color(color).to("oklch"), new Color(found).to("oklch")];
        const turn = Math.abs(((Number(before.coords[2]) - Number(after.coords[2]) + 540) % 360) - 180);
        // Rounding to hex turns the hue of colours with little chroma.
        if (Number(after.coords[1]) > 0.06 && Number(before.coords[1]) > 0.06) expect(turn).toBeLessThan(5);
      }),
    );
  });
});

test("roles that look alike are named, most alike first", () => {
  const palette = {
    ground: "#ffffff",
    card: "#fefefe",
    ink: "#101010",
    primary: "#141414",
    accent: "#cc3322",
    sale: "#cc3322",
  };
  expect(alikeRoles(palette).map(({ roles }) => roles.join("+"))).toEqual(["ink+primary"]);
  expect(alikeRoles({ ...palette, primary: "#2f6b4f", sale: "#c93424" }).map(({ roles }) => roles.join("+"))).toEqual([
    "accent+sale",
  ]);
});

describe("dominant colours", () => {
  const pixels = (...parts: readonly (readonly [string, number])[]): Uint8Array =>
    Uint8Array.from(
      parts.flatMap(([color, count]) =>
        Array.from({ length: count }, () => [
          ...[1, 3, 5].map((at) => Number.parseInt(color.slice(at, at + 2), 16)),
          255,
        ]).flat(),
      ),
    );
  test("flat areas come back with their shares", () => {
    const found = dominantColors(pixels(["#2f6b4f", 600], ["#f3eee3", 300], ["#c8432b", 100]));
    expect(found.map(({ hex }) => hex)).toEqual(["#2f6b4f", "#f3eee3", "#c8432b"]);
    expect(found.map(({ share }) => Number(share.toFixed(2)))).toEqual([0.6, 0.3, 0.1]);
  });
  test("near shades are one colour", () =>
    expect(dominantColors(pixels(["#2f6b4f", 50], ["#306c50", 50]))).toHaveLength(1));
  test("see-through pixels do not count", () =>
    expect(dominantColors(Uint8Array.from([255, 0, 0, 0, 0, 0, 255, 255]))).toMatchObject([
      { hex: "#0000ff", share: 1 },
    ]));
  test("nothing has no colours", () => expect(dominantColors(new Uint8Array())).toEqual([]));
});

test.each([
  ["#c0402a", "red"],
  ["#e58b2a", "orange"],
  ["#f2d230", "yellow"],
  ["#2f6b4f", "green"],
  ["#2f4f9b", "blue"],
  ["#6b3fa0", "purple"],
  ["#e88fb0", "pink"],
  ["#6b4a30", "brown"],
  ["#101010", "black"],
  ["#8a8c89", "grey"],
  ["#fdfcf9", "white"],
])("%s is %s", (color, word) => expect(colorWord(color)).toBe(word));
test("a picture is found by what fills it, not by a speck", () =>
  expect(
    colorWords([
      { hex: "#2f6b4f", share: 0.5 },
      { hex: "#3a7d5e", share: 0.3 },
      { hex: "#c0402a", share: 0.05 },
    ]),
  ).toEqual(["green"]));

describe("palette files", () => {
  const name = fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9 é&-]{0,18}[a-z0-9é]$/);
  const file = fc.record({
    name,
    colors: fc.uniqueArray(fc.record({ name, hex }), { minLength: 1, maxLength: 12, selector: ({ name }) => name }),
  });

  test.each(PALETTE_FORMATS)("%s files round-trip byte-stable", (format) => {
    fc.assert(
      fc.property(file, (palette: PaletteFile) => {
        const written = writePaletteFile(format, palette);
        expect(readPaletteFile(written)).toEqual(palette);
        expect(writePaletteFile(format, readPaletteFile(written))).toBe(written);
      }),
    );
  });

  // An example in the shape of the W3C Design Tokens Format Module: nested groups, inherited type, an alias.
  test("tokens of nested groups are read, aliases and other types passed over", () => {
    const text = JSON.stringify({
      brand: {
        $type: "color",
        leaf: { $value: { colorSpace: "srgb", components: [0.1843, 0.4196, 0.3098] } },
        deep: { pine: { $value: "#103020" } },
        same: { $value: "{brand.leaf}" },
      },
      size: { $type: "dimension", gap: { $value: { value: 4, unit: "px" } } },
    });
    expect(readTokens(text).colors).toEqual([
      { name: "leaf", hex: "#2f6b4f" },
      { name: "pine", hex: "#103020" },
    ]);
  });
  test("a palette from elsewhere is read: tabs, odd spacing, Windows line ends, comments", () =>
    expect(
      readGpl("GIMP Palette\r\nName: Pots\r\nColumns: 4\r\n# by hand\r\n 47 107  79\tLeaf\r\n255 255 255\r\n").colors,
    ).toEqual([
      { name: "Leaf", hex: "#2f6b4f" },
      { name: "Untitled", hex: "#ffffff" },
    ]));
  test("custom properties that are no colours are passed over", () =>
    expect(readCss(":root { --gap: 4px; --leaf: rgb(47 107 79); }").colors).toEqual([
      { name: "leaf", hex: "#2f6b4f" },
    ]));
  test.each([
    ["not JSON", () => readTokens("{"), /not JSON/],
    ["a list", () => readTokens("[]"), /JSON object/],
    ["no colours", () => readTokens("{}"), /no colours/],
    ["a broken colour", () => readTokens('{"a":{"$type":"color","$value":7}}'), /token “a”/],
    ["no palette", () => readGpl("hello"), /first line/],
    ["a channel of 300", () => readGpl("GIMP Palette\n300 0 0 x"), /Line 2/],
    ["a style sheet without", () => readCss("a { color: red }"), /no colours/],
  ])("%s is refused in words", (_, read, words) => expect(read).toThrow(words));
});
