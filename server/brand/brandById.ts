import { type TeamScope } from "../db/teamScope";
import { type StoredBrand } from "./brandFacts";
import { readStoredBook } from "./readStoredBook";

/** A brand of the team with its book. Throws where the team has none of that id. */
export async function brandById(scope: TeamScope, id: string): Promise<StoredBrand> {
  const [row] = await scope.kept(scope.select("brand").select(["id", "name", "book"]).where("id", "=", id));
  if (!row) throw new Error(`The team has no brand ${id}.`);
  return { id: row.id, name: row.name, book: readStoredBook(row.book) };
}
