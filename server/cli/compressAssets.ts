import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { extname, join } from "node:path";
import { brotliCompressSync, constants, gzipSync } from "node:zlib";

/** What gets smaller; pictures and fonts are compressed already. */
const KINDS: ReadonlySet<string> = new Set([".js", ".css", ".svg", ".json", ".wasm"]);
/** Smaller files are not worth another. */
const LEAST_BYTES = 1000;
const BROTLI_QUALITY = 8;

/** Writes each file of a folder of built assets compressed beside itself, once, so that no visitor waits for it. */
export function compressAssets(folder: string): void {
  for (const name of readdirSync(folder)) {
    if (!KINDS.has(extname(name))) continue;
    const file = join(folder, name);
    const bytes = readFileSync(file);
    if (bytes.length < LEAST_BYTES) continue;
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI_QUALITY } }),
    );
  }
}
