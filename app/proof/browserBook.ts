import { readFaceCatalogue } from "../../core/type/faceCatalogueSchema";
import { type FontBook, fontBook, openFont } from "../../core/type/fontBook";

let book: Promise<FontBook> | null = null;
const opening = new Map<string, Promise<void>>();

/** The font book of this page. The catalogue is fetched once. */
export function browserBook(): Promise<FontBook> {
  return (book ??= fetch("/faces.json").then(async (response) => fontBook(readFaceCatalogue(await response.json()))));
}

/** Fetches and opens font files, each once. */
export async function openFiles(own: FontBook, ids: readonly string[]): Promise<void> {
  await Promise.all(
    ids.map((id) => {
      const known = opening.get(id) ?? openFile(own, id);
      opening.set(id, known);
      known.catch(() => opening.delete(id));
      return known;
    }),
  );
}

async function openFile(own: FontBook, id: string): Promise<void> {
  const response = await fetch(`/faces/${id}`);
  if (!response.ok) throw new Error(`The font file ${id} could not be fetched (${response.status}).`);
  openFont(own, id, new Uint8Array(await response.arrayBuffer()), Number(id.split("/").at(-1)));
}
