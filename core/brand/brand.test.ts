import { ValidationError } from "yup";
import { newBrandBook, paletteOf, readBrandBook, signOffWords } from "./book";
import { logoContrast, logoFor } from "./logoChoice";

/** Every problem with the field it is of, as text. */
function problemsOf(value: unknown): string {
  try {
    readBrandBook(value);
    return "";
  } catch (error) {
    return error instanceof ValidationError
      ? error.inner
          .concat(error)
          .map(({ path, message }) => `${path}: ${message}`)
          .join("\n")
      : String(error);
  }
}

describe("brand book at the door", () => {
  test("a new book is a whole one", () =>
    expect(readBrandBook(JSON.parse(JSON.stringify(newBrandBook())))).toEqual(newBrandBook()));

  test.each([
    ["a missing role", { colors: { ...newBrandBook().colors, sale: undefined } }, /sale/],
    ["a colour word", { colors: { ...newBrandBook().colors, ink: { name: "ink", hex: "black" } } }, /#1a2b3c/],
    ["no call to action", { calls: [] }, /call to action/],
    ["an empty handle", { contact: { ...newBrandBook().contact, handles: ["  "] } }, /remove the line/],
    ["a watermark over half the frame", { watermark: { ...newBrandBook().watermark, size: 0.5 } }, /At most 30/],
    [
      "an unknown logo variant",
      { logos: [{ variant: "neon", media: "5f0c8a56-6f0e-4d39-9d1e-0c6b7f2f6c01" }] },
      /variant/,
    ],
    ["a book of tomorrow", { version: 2 }, /newer/],
  ])("%s is refused", (_, change, words) => expect(problemsOf({ ...newBrandBook(), ...change })).toMatch(words));

  test("the palette is the hex of each role", () =>
    expect(paletteOf(newBrandBook())).toMatchObject({ ink: "#20282a", sale: "#b3261e" }));

  test.each([
    ["website", "pots.example.com"],
    ["phone", "01 23"],
    ["address", "Fern Lane 3"],
    ["handle", "@pots"],
    ["nothing", ""],
  ] as const)("a sign-off line can show the %s", (first, words) =>
    expect(
      signOffWords(
        {
          contact: { website: "pots.example.com", phone: "01 23", address: "Fern Lane 3", handles: ["@pots", "@more"] },
          signOff: { first, second: "nothing" },
        },
        "first",
      ),
    ).toBe(words),
  );
});

describe("the logo for a ground", () => {
  const full = {
    variant: "full" as const,
    colors: [
      { hex: "#20382c", share: 0.7 },
      { hex: "#2f6b4f", share: 0.25 },
      { hex: "#ffe000", share: 0.05 },
    ],
  };
  const light = { variant: "light" as const, colors: [{ hex: "#ffffff", share: 1 }] };
  test("full where it can be seen", () => expect(logoFor([light, full], "#ffffff")).toBe(full));
  test("light where full drowns", () => expect(logoFor([full, light], "#1d3a2b")).toBe(light));
  test("the nearest where none is enough", () => expect(logoFor([full, light], "#8a8c89")).toBe(light));
  test("none where there is none", () => expect(logoFor([], "#ffffff")).toBeNull());
  test("details do not count", () => expect(logoContrast(full, "#ffffff")).toBeGreaterThan(3));
});
