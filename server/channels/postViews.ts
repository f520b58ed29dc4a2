import { type Kysely } from "kysely";
import { type Database } from "../db/tables";
import { log } from "../log";
import { ChannelAway, type ChannelConnection, PostRefused } from "./connection";

/** Nobody looks at what was posted longer ago, in days. */
const LOOKED_AT_DAYS = 90;
const MOST_AT_ONCE = 500;

interface Posted {
  readonly id: string;
  readonly team_id: string;
  readonly remote_id: string;
}

/** Asks a channel how often a post was seen, and keeps it by day. */
export async function readViews(
  db: Kysely<Database>,
  connection: ChannelConnection,
  { id, team_id, remote_id }: Posted,
): Promise<void> {
  const days = await connection.views(remote_id);
  if (days.length === 0) return;
  await db
    .insertInto("post_views")
    .values(days.map(({ day, views }) => ({ post_id: id, team_id, day, views })))
    .onConflict((conflict) =>
      conflict.columns(["post_id", "day"]).doUpdateSet((eb) => ({ views: eb.ref("excluded.views") })),
    )
    .execute();
}

/** Asks how often all that was posted lately was seen. What does not answer is asked the next time. */
export async function readAllViews(db: Kysely<Database>, connection: ChannelConnection | null): Promise<void> {
  if (!connection) return;
  const rows = await db
    .selectFrom("post")
    .where("state", "=", "live")
    .where("live_at", ">", new Date(Date.now() - LOOKED_AT_DAYS * 86_400_000))
    .orderBy("live_at", "desc")
    .limit(MOST_AT_ONCE)
    .select(["id", "team_id", "remote_id"])
    .execute();
  for (const { id, team_id, remote_id } of rows) {
    if (remote_id === null) continue;
    try {
      await readViews(db, connection, { id, team_id, remote_id });
    } catch (error) {
      if (!(error instanceof ChannelAway || error instanceof PostRefused)) throw error;
      log.warn({ post: id, problem: error.message }, "views were not told");
    }
  }
}
