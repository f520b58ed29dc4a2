import { readFile, writeFile } from "node:fs/promises";
import { readFont } from "../faces/readFont";
import { type FontFacts } from "../faces/ownFonts";

/** Opens a font file, and writes it as scenes use it. Throws a Refusal in words where it is none that can be used. */
export async function openFont({ path, to, name }: { path: string; to: string; name: string }): Promise<{
  readonly family: string;
  readonly facts: FontFacts;
}> {
  const { family, bytes, facts } = await readFont(await readFile(path), name);
  await writeFile(to, bytes);
  return { family, facts };
}
