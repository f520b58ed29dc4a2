import { type Shown, lapsedBy } from "./reviewState";

const approved: Shown = { pictures: { square: "pots at £24", vertical: "pots at £24, taller" }, heard: "a tune" };
const { square, vertical } = approved.pictures;
const shown = (pictures: Readonly<Record<string, string | undefined>>, heard = "a tune"): Shown => ({
  pictures: Object.fromEntries(Object.entries(pictures).map(([format, painted]) => [format, painted ?? ""])),
  heard,
});

test("an approval holds while the same is seen and heard in the same formats, in whatever order", () => {
  expect(lapsedBy(approved, shown({ vertical, square }))).toBeNull();
});

test.each([
  ["a word that changed in one format", shown({ square, vertical: "pots at £23, taller" }), "pictures"],
  ["another tune", shown({ square, vertical }, "another tune"), "sound"],
  ["a format that nobody saw", shown({ square, vertical, portrait: square }), "formats"],
  ["another format in the place of one", shown({ square, portrait: vertical }), "formats"],
  ["a format taken out", shown({ square }), "formats"],
] as const)("it lapses by %s", (_, now, by) => expect(lapsedBy(approved, now)).toBe(by));
