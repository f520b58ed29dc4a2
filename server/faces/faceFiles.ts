import { readFile, readdir } from "node:fs/promises";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import wawoff2 from "wawoff2";
import { type FaceCatalogue } from "../../core/type/faces";
import { type FontBook, fontBook, openFont } from "../../core/type/fontBook";
import { remembered } from "../remembered";
import { fontKey } from "../storage/keys";
import { store } from "../storage/store";
import { parseOwnFileId } from "./ownFonts";
import { SHIPPED_FAMILIES, packagePath, shippedCatalogue } from "../../core/type/shippedFaces";

const require = createRequire(import.meta.url);
export const packageFolder = (name: string): string => dirname(require.resolve(`${name}/package.json`));

async function readRanges(stem: string): Promise<Record<string, string>> {
  const text = await readFile(join(packageFolder(`@fontsource/${stem}`), "unicode.json"), "utf8");
  const parsed: unknown = JSON.parse(text);
  if (typeof parsed !== "object" || parsed === null)
    throw new TypeError(`The package of ${stem} does not list its ranges.`);
  return Object.fromEntries(Object.entries(parsed).map(([subset, range]) => [subset, String(range)]));
}

let catalogue: Promise<FaceCatalogue> | null = null;

/** The catalogue of shipped faces and emoji, read from their packages once. */
export const faceCatalogue = (): Promise<FaceCatalogue> => (catalogue ??= readCatalogue());

async function readCatalogue(): Promise<FaceCatalogue> {
  const ranges = await Promise.all(SHIPPED_FAMILIES.map(async ({ stem }) => [stem, await readRanges(stem)] as const));
  const pictures = await readdir(packageFolder("@twemoji/svg"));
  const emoji = pictures.filter((name) => name.endsWith(".svg")).map((name) => name.slice(0, -".svg".length));
  return shippedCatalogue(Object.fromEntries(ranges), emoji);
}

const MOST_FILES = 200;
const opened = remembered<Uint8Array>(MOST_FILES);

/** A font file, shipped or brought, as TrueType or OpenType bytes. Throws when there is no such file. */
export const fontBytes = (fileId: string): Promise<Uint8Array> => opened(fileId, () => readFont(fileId));

async function readFont(fileId: string): Promise<Uint8Array> {
  const own = parseOwnFileId(fileId);
  if (own) return new Uint8Array(await readFile(await store().local(fontKey(own.sha256))));
  const [scope = "", name = "", ...rest] = packagePath(fileId).split("/");
  // Copied, because what the decoder gives back lies in memory that its next call writes over.
  return Uint8Array.from(await wawoff2.decompress(await readFile(join(packageFolder(`${scope}/${name}`), ...rest))));
}

/** The weight in a file's name: what a variable font is set to. */
const weightOf = (fileId: string): number => Number(fileId.split("/").at(-1));

let book: Promise<FontBook> | null = null;

/** The font book of this process, with every file that `wanted` names open. Ask with what still is missing. */
export async function openedBook(wanted: (book: FontBook) => readonly string[]): Promise<FontBook> {
  const own = await (book ??= faceCatalogue().then(fontBook));
  for (let ids = wanted(own); ids.length > 0; ids = wanted(own))
    for (const id of ids) if (!own.open.has(id)) openFont(own, id, await fontBytes(id), weightOf(id));
  return own;
}
