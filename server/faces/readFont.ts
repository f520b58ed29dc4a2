import { create, type Font as NamedFont } from "fontkit";
import { Blob as FontBlob, Face, Font } from "harfbuzzjs";
import wawoff2 from "wawoff2";
import { UploadProblem } from "../media/uploadProblem";
import { type FontFacts } from "./ownFonts";
import { unpackWoff } from "./woff";

export interface ReadFont {
  readonly family: string;
  /** TrueType or OpenType bytes, whatever the file was packed in. */
  readonly bytes: Uint8Array;
  readonly facts: FontFacts;
}

const MOST_FAMILY = 60;

/**
 * Opens a font file (TTF, OTF, WOFF, WOFF2; variable fonts too) and checks it: its names, what it allows, what it covers,
 * and that its letters can be shaped and drawn. Throws an UploadProblem that names the file and what is wrong.
 */
export async function readFont(file: Buffer, name: string): Promise<ReadFont> {
  const broken = (why: string): UploadProblem => new UploadProblem(`“${name}” can't be used as a font: ${why}.`);
  const bytes = await unpack(file).catch((error: unknown) => {
    throw broken(error instanceof Error && error.message !== "" ? `it is ${error.message}` : "it is damaged");
  });
  const named = opened(
    () => create(bytes),
    () => broken("its tables are damaged"),
  );
  const family = opened(
    () => cleanName(named.familyName),
    () => broken("its name table is damaged"),
  );
  if (family === "") throw broken("it has no family name in its name table");
  const allowed = opened(
    () => embedding(named["OS/2"]?.fsType),
    () => broken("its OS/2 table is damaged"),
  );
  if (!allowed.allowed)
    throw broken(
      "its maker forbids embedding (the embedding bits in its OS/2 table say “restricted”). Ask them for a licence and a file that allow it",
    );
  const { ranges, letters } = opened(
    () => coverage(bytes),
    () => broken("its letters can't be read"),
  );
  if (ranges.length === 0) throw broken("it covers no letters");
  const weight =
    opened(
      () => named["OS/2"]?.usWeightClass,
      () => broken("its OS/2 table is damaged"),
    ) ?? 400;
  const axis = opened(
    () => axisOf(bytes),
    () => broken("its axes are damaged"),
  );
  const within = (value: number): number => Math.round(Math.min(1000, Math.max(1, value)));
  return {
    family,
    bytes,
    facts: {
      subfamily: cleanName(named.subfamilyName),
      weights: axis ? [within(axis.min), within(axis.max)] : [within(weight), within(weight)],
      letters,
      ranges,
      embedding: allowed.words,
    },
  };
}

function opened<Value>(open: () => Value, problem: () => UploadProblem): Value {
  try {
    return open();
  } catch {
    throw problem();
  }
}

async function unpack(file: Buffer): Promise<Uint8Array> {
  const tag = file.toString("latin1", 0, 4);
  if (tag === "wOF2") return Uint8Array.from(await wawoff2.decompress(file));
  if (tag === "wOFF") return Uint8Array.from(unpackWoff(file));
  if (tag === "ttcf") throw new SyntaxError("a collection of several fonts. Bring one font a file");
  if (file.readUInt32BE(0) === 0x00010000 || tag === "OTTO" || tag === "true") return Uint8Array.from(file);
  throw new SyntaxError("not a TTF, OTF, WOFF or WOFF2 file");
}

const cleanName = (name: NamedFont["familyName"]): string =>
  Array.from((name ?? "").replace(/[\p{Cc}\p{Bidi_Control}"\\<>]/gu, "").trim())
    .slice(0, MOST_FAMILY)
    .join("");

/** OpenType 1.9, OS/2 fsType: bit 1 forbids embedding, bit 2 allows preview and print, bit 3 editing; none allows all. */
function embedding(
  type: { readonly noEmbedding?: boolean; readonly viewOnly?: boolean; readonly editable?: boolean } | undefined,
): { allowed: boolean; words: string } {
  if (type?.noEmbedding && !type.viewOnly && !type.editable) return { allowed: false, words: "restricted" };
  if (type?.viewOnly) return { allowed: true, words: "preview and print" };
  return { allowed: true, words: type?.editable ? "editable" : "installable" };
}

const DRAWN = 60;

/** Opens the font as scenes will, and draws a few of its letters. */
function coverage(bytes: Uint8Array): { ranges: number[]; letters: number } {
  const face = new Face(new FontBlob(bytes), 0);
  const codes = [...face.collectUnicodes()].sort((a, b) => a - b);
  const font = new Font(face);
  for (let glyph = 0; glyph < DRAWN; glyph++) font.glyphToJson(glyph);
  const ranges: number[] = [];
  for (const code of codes) {
    if (ranges.length > 0 && ranges.at(-1) === code - 1) ranges[ranges.length - 1] = code;
    else ranges.push(code, code);
  }
  return { ranges, letters: codes.length };
}

function axisOf(bytes: Uint8Array): { min: number; max: number } | null {
  return new Face(new FontBlob(bytes), 0).getAxisInfos()["wght"] ?? null;
}
