import { readFileSync } from "node:fs";
import { join } from "node:path";
import { deflateSync } from "node:zlib";
import fc from "fast-check";
import wawoff2 from "wawoff2";
import { inRanges } from "../../core/type/faces";
import { fontBook, openFont } from "../../core/type/fontBook";
import { packageFolder } from "./faceFiles";
import { readFont } from "./readFont";
import { unpackWoff } from "./woff";

const file = (name: string): Buffer => readFileSync(join(packageFolder("@fontsource/lora"), "files", name));
const woff2 = file("lora-latin-700-normal.woff2");
const woff = file("lora-latin-700-normal.woff");
const ttf = async (): Promise<Buffer> => Buffer.from(Uint8Array.from(await wawoff2.decompress(woff2)));

/** Changes bytes of a table of a TrueType file; `at` counts from the table's start. */
function patched(font: Buffer, table: string, at: number, bytes: readonly number[]): Buffer {
  const copy = Buffer.from(font);
  for (let index = 0; index < copy.readUInt16BE(4); index++) {
    const entry = 12 + index * 16;
    if (copy.toString("latin1", entry, entry + 4) === table) copy.set(bytes, copy.readUInt32BE(entry + 8) + at);
  }
  return copy;
}

test.each([
  ["WOFF2", woff2],
  ["WOFF", woff],
])("%s is opened: name, weight, letters, what it allows", async (_, bytes) => {
  const font = await readFont(bytes, "lora.woff");
  expect(font.family).toBe("Lora");
  expect(font.facts).toMatchObject({ weights: [700, 700], embedding: "installable" });
  expect(font.facts.letters).toBeGreaterThan(200);
  expect(Array.from("Aß€").every((letter) => inRanges(font.facts.ranges, letter.codePointAt(0) ?? 0))).toBe(true);
  expect(inRanges(font.facts.ranges, 0x0905)).toBe(false);
});

test("WOFF and WOFF2 of one font give the same letters (fontkit, HarfBuzz)", async () => {
  const [one, other] = await Promise.all([readFont(woff, "a"), readFont(woff2, "b")]);
  expect(one.facts.ranges).toEqual(other.facts.ranges);
});

test("a brought font is shaped and drawn by the same book as the shipped ones", async () => {
  const { bytes } = await readFont(woff, "lora.woff");
  const opened = openFont(fontBook({ faces: {}, fallback: [], emoji: [] }), "own/x/700", bytes, 700);
  expect(opened.covers.has(0x41)).toBe(true);
  expect(opened.capHeight).toBeGreaterThan(0.5);
});

test.each<[string, () => Promise<Buffer>, RegExp]>([
  ["words", () => Promise.resolve(Buffer.from("not a font at all")), /not a TTF, OTF, WOFF or WOFF2/],
  ["three bytes", () => Promise.resolve(Buffer.from("OTT")), /can't be used/],
  ["a WOFF2 cut off", () => Promise.resolve(woff2.subarray(0, 500)), /can't be used/],
  ["a WOFF cut off", () => Promise.resolve(woff.subarray(0, 900)), /tables outside of it/],
  [
    "a WOFF that claims gigabytes",
    () => {
      const copy = Buffer.from(woff);
      copy.writeUInt32BE(0xf0000000, 16);
      return Promise.resolve(copy);
    },
    /broken header/,
  ],
  ["a TTF cut off", async () => (await ttf()).subarray(0, 3000), /damaged|no letters|can't be read|no family/],
  ["a collection", () => Promise.resolve(Buffer.from("ttcf0000000000000000")), /collection/],
  // OpenType 1.9, OS/2: fsType stands 8 bytes in; 2 is restricted.
  ["a font whose maker forbids embedding", async () => patched(await ttf(), "OS/2", 8, [0, 2]), /forbids embedding/],
])("%s is refused in words that name the file", async (_, bytes, words) => {
  await expect(bytes().then((made) => readFont(made, "mine.ttf"))).rejects.toThrow(words);
  await expect(bytes().then((made) => readFont(made, "mine.ttf"))).rejects.toThrow("“mine.ttf”");
});

test("whatever is broken in a font, it is read or refused, never worse", async () => {
  const whole = await ttf();
  await fc.assert(
    fc.asyncProperty(
      fc.array(fc.tuple(fc.nat(whole.length - 1), fc.nat(255)), { minLength: 1, maxLength: 40 }),
      async (changes) => {
        const copy = Buffer.from(whole);
        for (const [at, byte] of changes) copy[at] = byte;
        const outcome = await readFont(copy, "mine.ttf").then(
          () => "read",
          (error: unknown) => (error instanceof Error ? error.name : "?"),
        );
        expect(["read", "Refusal"]).toContain(outcome);
      },
    ),
    { numRuns: 40 },
  );
});

test("a WOFF table that unpacks to more than it says is refused", () => {
  const copy = Buffer.from(woff);
  const packed = deflateSync(Buffer.alloc(200_000));
  // The first table's entry: offset, packed length, length.
  const offset = copy.length;
  copy.writeUInt32BE(offset, 48);
  copy.writeUInt32BE(packed.length, 52);
  copy.writeUInt32BE(1000, 56);
  expect(() => unpackWoff(Buffer.concat([copy, packed]))).toThrow();
});
