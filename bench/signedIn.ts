import { createHash, randomBytes } from "node:crypto";
import { type Kysely } from "kysely";
import { createCookie } from "react-router";
import { type Database } from "../server/db/tables";

const HOUR_MS = 3_600_000;

/** A session of a member, made in the database: the cookie that a browser would send. */
export async function signedIn(
  db: Kysely<Database>,
  { id: member_id, team_id }: { readonly id: string; readonly team_id: string },
): Promise<string> {
  const token = randomBytes(32).toString("base64url");
  const token_hash = createHash("sha256").update(token).digest("hex");
  await db
    .insertInto("session")
    .values({ token_hash, team_id, member_id, expires_at: new Date(Date.now() + HOUR_MS) })
    .execute();
  const cookie = createCookie("stencilcraft-session", { httpOnly: true, sameSite: "lax", path: "/" });
  return (await cookie.serialize(token)).split(";")[0] ?? "";
}
