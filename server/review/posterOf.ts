import { type FormatName } from "../../core/placement/formats";
import { type TeamScope } from "../db/teamScope";
import { readStored } from "../promotions/readStored";
import { stillFile } from "../render/stillFile";

/** A still of a promotion's first scene, for before it plays. Throws a 404 where the promotion is gone. */
export async function posterOf(scope: TeamScope, promotion: string, format: FormatName): Promise<string> {
  const row = await scope.select("promotion").select("document").where("id", "=", promotion).executeTakeFirst();
  if (!row) throw new Response("This promotion is gone.", { status: 404 });
  return stillFile(scope, readStored(row.document), { format, scene: 0, size: "large" });
}
