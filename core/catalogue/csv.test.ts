import fc from "fast-check";
import { CSV_LIMITS, decodeText, harmlessCell, parseCsv, plainCell, writeCsv } from "./csvText";
import { matchColumns, readContent, readLink, readProductRow, readTags } from "./productRow";

const utf8 = (text: string): Uint8Array => new TextEncoder().encode(text);
const utf16 = (text: string, big: boolean, mark: boolean): Uint8Array => {
  const units = Array.from((mark ? "\ufeff" : "") + text).flatMap((character) =>
    Array.from({ length: character.length }, (_, at) => character.charCodeAt(at)),
  );
  return Uint8Array.from(units.flatMap((unit) => (big ? [unit >> 8, unit & 255] : [unit & 255, unit >> 8])));
};

describe("text of any encoding", () => {
  const text = "name;price\nBlumentopf groß;24,50\n";
  test.each([
    ["UTF-8", utf8(text)],
    ["UTF-8 with a mark", utf8(`\ufeff${text}`)],
    ["UTF-16LE with a mark", utf16(text, false, true)],
    ["UTF-16BE with a mark", utf16(text, true, true)],
    ["UTF-16LE without", utf16(text, false, false)],
    ["windows-1252", Uint8Array.from(Array.from(text).map((letter) => letter.charCodeAt(0)))],
  ])("%s", (_, bytes) =>
    expect(parseCsv(decodeText(bytes).text)).toEqual({
      delimiter: ";",
      header: ["name", "price"],
      rows: [["Blumentopf groß", "24,50"]],
    }),
  );

  test.each([
    ["nothing", new Uint8Array(), /empty/],
    ["a zip, however small", Uint8Array.from([0x50, 0x4b, 3, 4, 0, 0]), /packed archive/],
    ["gzip", Uint8Array.from([0x1f, 0x8b, 8, 0]), /packed archive/],
    ["a picture", Uint8Array.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 1, 2, 3]), /control characters/],
    ["too much", new Uint8Array(CSV_LIMITS.bytes + 1), /limit for lists/],
  ])("%s is refused", (_, bytes, words) => expect(() => decodeText(bytes)).toThrow(words));
});

// The rules of RFC 4180, section 2, by number.
describe("RFC 4180", () => {
  test.each([
    [
      "1, 2: a line break ends a record; the last one may be missing",
      "a,b\r\n1,2\r\n3,4",
      [
        ["1", "2"],
        ["3", "4"],
      ],
    ],
    ["4: spaces belong to the field", "a,b\r\n 1 ,2", [[" 1 ", "2"]]],
    ["5: fields may be quoted or not", 'a,b\r\n"1",2', [["1", "2"]]],
    ["6: commas and line breaks inside quotes", 'a,b\r\n"1\r\n1","x,y"', [["1\r\n1", "x,y"]]],
    ["7: a quote inside is doubled", 'a,b\r\n"say ""hello""",2', [['say "hello"', "2"]]],
    ["empty lines at the end", "a,b\n1,2\n\n\n", [["1", "2"]]],
    ["tabs", "a\tb\n1\t2", [["1", "2"]]],
  ])("%s", (_, text, rows) => expect(parseCsv(text).rows).toEqual(rows));

  test.each([
    ["an open quote", 'a,b\n"1,2\n3,4', /never closed/],
    ["no rows", "a,b", /no rows/],
    ["only empty rows", ",,\n , ,", /name the columns/],
    ["too many rows", `a\n${"1\n".repeat(CSV_LIMITS.rows + 1)}`, /more than/],
  ])("%s is refused", (_, text, words) => expect(() => parseCsv(text)).toThrow(words));

  test("what is written is read again, whatever stands in it", () => {
    const cell = fc.string({ unit: "grapheme", maxLength: 20 }).map((text) => text.replace(/\u0000/g, ""));
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
        const kept = rows.filter((row) => row.some((text) => text.trim() !== ""));
        fc.pre(kept.length > 0);
        expect(parseCsv(writeCsv(["a", "b", "c"], kept)).rows.map((row) => row.map(plainCell))).toEqual(
          kept.map((row) => row.map((text) => plainCell(harmlessCell(text)))),
        );
      }),
    );
  });
});

describe("formulas (OWASP, CSV injection)", () => {
  test.each([["=1+1"], ["+44 20"], ["-5"], ["@SUM(A1)"], ["\t=1"], ["\r=1"]])(
    "%j is made harmless, and comes back as it was",
    (text) => {
      expect(harmlessCell(text)).toBe(`'${text}`);
      expect(plainCell(harmlessCell(text))).toBe(text);
    },
  );
  test.each([["24.00"], ["Pot"], ["'tis the season"], [""]])("%j is left alone", (text) =>
    expect(plainCell(harmlessCell(text))).toBe(text),
  );
});

describe("columns", () => {
  test("are matched by what people call them", () =>
    expect(matchColumns(["SKU", "Product name", "Price (GBP)", "Category", "Colour"])).toEqual({
      code: 0,
      name: 1,
      price: 2,
      tags: 3,
      line: null,
      text: null,
      content: null,
      link: null,
      stock: null,
    }));
  test("each is used once", () => expect(matchColumns(["name", "name"])).toMatchObject({ name: 0 }));
});

describe("rows", () => {
  const match = matchColumns(["code", "name", "price", "holds", "tags", "stock", "link"]);
  test("a full row", () =>
    expect(
      readProductRow(["6291041500213", "Pot", "24", "500 g", "Pots; clay,pots", "no", "example.com/pot"], match, "GBP"),
    ).toMatchObject({
      ok: true,
      product: {
        code: "6291041500213",
        price: { amount: 2400 },
        content: { quantity: 500, unit: "g" },
        tags: ["pots", "clay"],
        inStock: false,
      },
    }));
  test("all that is wrong is told at once", () => {
    const result = readProductRow(["6291041500214", "", "cheap", "some", "x", "perhaps", "not a link"], match, "GBP");
    expect(result.ok ? [] : result.problems.map((problem) => problem.slice(0, 24))).toEqual([
      "A product needs a name.",
      "“cheap” is not a price. ",
      "“6291041500214” has a wr",
      "“some” does not say what",
      "“not a link” is not a we",
      "“perhaps” does not say w",
    ]);
  });
  test.each([
    ["1,5 l", 1.5, "l"],
    ["6 pieces", 6, "piece"],
    ["250ml", 250, "ml"],
    ["3", 3, "piece"],
  ])("“%s” holds %d %s", (typed, quantity, unit) => expect(readContent(typed)).toEqual({ quantity, unit }));
  test("a link gets its scheme, and only the web's", () => {
    expect(readLink("example.com")).toBe("https://example.com");
    expect(() => readLink("javascript:alert(1)")).toThrow(/web address/);
  });
  test("there is an end to tags", () =>
    expect(() => readTags(Array.from({ length: 21 }, (_, at) => `t${at}`).join())).toThrow(/At most 20/));
});
