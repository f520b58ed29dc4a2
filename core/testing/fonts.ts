import { readFileSync, readdirSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join } from "node:path";
import wawoff2 from "wawoff2";
import { type FontBook, fontBook, openFont } from "../type/fontBook";
import { SHIPPED_FAMILIES, packagePath, shippedCatalogue } from "../type/shippedFaces";

const require = createRequire(import.meta.url);
const packageFolder = (name: string): string => dirname(require.resolve(`${name}/package.json`));

/** A book over all shipped faces, none open yet. */
export function testBook(): FontBook {
  const ranges = Object.fromEntries(
    SHIPPED_FAMILIES.map(({ stem }) => [
      stem,
      JSON.parse(readFileSync(join(packageFolder(`@fontsource/${stem}`), "unicode.json"), "utf8")) as Record<
        string,
        string
      >,
    ]),
  );
  const emoji = readdirSync(packageFolder("@twemoji/svg"))
    .filter((name) => name.endsWith(".svg"))
    .map((name) => name.slice(0, -4));
  return fontBook(shippedCatalogue(ranges, emoji));
}

/** Opens files in a test's book until nothing more is wanted. */
export async function openWanted(book: FontBook, wanted: () => readonly string[]): Promise<void> {
  for (let ids = wanted(); ids.length > 0; ids = wanted())
    for (const id of ids) openFont(book, id, await wawoff2.decompress(readShipped(id)));
}

export function readShipped(id: string): Buffer {
  const [scope = "", name = "", ...rest] = packagePath(id).split("/");
  return readFileSync(join(packageFolder(`${scope}/${name}`), ...rest));
}
