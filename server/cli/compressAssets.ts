import { readFile, readdir, writeFile } from "node:fs/promises";
import { extname, join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, constants, gzip } from "node:zlib";

/** What gets smaller; pictures and fonts are compressed already. */
const KINDS: ReadonlySet<string> = new Set([".js", ".css", ".svg", ".json", ".wasm"]);
/** Smaller files are not worth another. */
const LEAST_BYTES = 1000;
const BROTLI = { params: { [constants.BROTLI_PARAM_QUALITY]: 8 } };
const GZIP = { level: 9 };

/** Writes each file of a folder of built assets compressed beside itself, once, so that no visitor waits for it. */
export async function compressAssets(folder: string): Promise<void> {
  const names = (await readdir(folder)).filter((name) => KINDS.has(extname(name)));
  await Promise.all(names.map((name) => compressFile(join(folder, name))));
}

async function compressFile(file: string): Promise<void> {
  const bytes = await readFile(file);
  if (bytes.length < LEAST_BYTES) return;
  await Promise.all([
    promisify(gzip)(bytes, GZIP).then((smaller) => writeFile(`${file}.gz`, smaller)),
    promisify(brotliCompress)(bytes, BROTLI).then((smaller) => writeFile(`${file}.br`, smaller)),
  ]);
}
