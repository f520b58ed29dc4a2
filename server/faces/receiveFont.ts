import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { type TeamScope } from "../db/teamScope";
import { BRAND_FAMILIES } from "../../core/type/shippedFaces";
import { displayName } from "../media/fileName";
import { UploadProblem } from "../media/uploadProblem";
import { readStoredBook } from "../brand/readStoredBook";
import { fontKey } from "../storage/keys";
import { store } from "../storage/store";
import { readForeign } from "../foreign/readForeign";
import { sha256Of } from "../storage/sha256";
import { inWorkFolder } from "../workFolder";

const MOST_BYTES = 12_000_000;

/** Takes a font file in. A family that is there already is replaced. Throws an UploadProblem that names the file. */
export async function receiveFont(scope: TeamScope, file: File): Promise<{ family: string }> {
  const name = displayName(file.name);
  if (file.size === 0) throw new UploadProblem(`“${name}” is empty (0 bytes).`);
  if (file.size > MOST_BYTES)
    throw new UploadProblem(`“${name}” is larger than the limit for fonts: ${MOST_BYTES / 1e6} MB.`);
  return inWorkFolder("font", async (folder) => {
    const [path, to] = [join(folder, "brought"), join(folder, "font")];
    await writeFile(path, Buffer.from(await file.arrayBuffer()));
    const { family, facts } = await readForeign({ task: "openFont", input: { path, to, name } }, name);
    if (BRAND_FAMILIES.some((shipped) => shipped.family === family))
      throw new UploadProblem(`“${name}” holds ${family}, which ships with Stencilcraft already.`);
    const sha256 = await sha256Of(to);
    await store().keep(fontKey(sha256), to);
    await scope.together(async (within) => {
      await within.remove("font").where("family", "=", family).execute();
      await within.insert("font", { family, file_name: name, sha256, facts: JSON.stringify(facts) }).execute();
    });
    return { family };
  });
}

/** Removes a typeface the team brought, unless a brand book uses it; says which then. */
export async function removeFont(scope: TeamScope, id: string): Promise<string | null> {
  const font = await scope.select("font").select("family").where("id", "=", id).executeTakeFirst();
  if (!font) return null;
  const brands = await scope.select("brand").select(["name", "book"]).execute();
  const users = brands.filter(({ book }) =>
    Object.values(readStoredBook(book).faces).some(({ family }) => family === font.family),
  );
  if (users.length > 0)
    return `${font.family} is used in the brand book of ${users.map(({ name }) => name).join(", ")}. Choose another typeface there first.`;
  await scope.remove("font").where("id", "=", id).execute();
  return null;
}
