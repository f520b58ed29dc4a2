import { type Kysely } from "kysely";
import { readPostWords } from "../../core/post/postWords";
import { type Database } from "../db/tables";
import { tellTeam } from "../events/teamEvents";
import { type Jobs, enqueue } from "../jobs/enqueue";
import { log } from "../log";
import { store } from "../storage/store";
import { ChannelAway, type ChannelConnection, PostRefused } from "./connection";
import { readViews } from "./postViews";

/** A channel that does not answer is asked again, later and later: so often, and at most so late. */
const MOST_TRIES = 10;
/** So often it is tried to go on with what was sent of a file. */
const SENT_ANEW_AFTER = 2;
const FIRST_WAIT_MS = 1000;
const LONGEST_WAIT_MS = 300_000;
/** How often a channel is asked whether it is done with what it took. */
const LOOK_AGAIN_MS = 1000;

type Asked = Jobs["send-post"];

/** Posts what is due, a step at a time: sends the file, makes the post, waits until it can be seen. Safe to run twice. */
export async function sendPost(
  db: Kysely<Database>,
  connection: ChannelConnection | null,
  asked: Asked,
): Promise<void> {
  const row = await db
    .selectFrom("post")
    .leftJoin("rendition", "rendition.id", "post.rendition_id")
    .where("post.id", "=", asked.post)
    .where("post.asking", "=", asked.asking)
    .where("post.state", "in", ["scheduled", "posting", "processing"])
    .select(["post.id", "post.team_id", "post.channel", "post.placement", "post.words", "post.state", "post.upload"])
    .select(["post.remote_id", "post.tries", "rendition.file_key", "rendition.state as made"])
    .executeTakeFirst();
  if (!row) return;
  const change = changeOf(db, asked);
  const fail = async (problem: string): Promise<void> => {
    await change({ state: "failed", problem });
  };
  if (!connection) return fail("No channel is connected any more.");
  if (row.made !== "ready" || row.file_key === null)
    return fail("Its file is gone. Render the promotion, and post it anew.");
  try {
    if (row.remote_id === null) {
      await change({ state: "posting" });
      const file = await connection.upload(await store().local(row.file_key), row.upload, async (upload) => {
        await change({ upload });
      });
      const { channel, placement } = row;
      const remote_id = await connection.post({
        key: row.id,
        channel,
        placement,
        words: readPostWords(row.words),
        file,
      });
      const isWanted = await change({ state: "processing", remote_id, problem: null, tries: 0 });
      // It was taken back while it was sent.
      if (isWanted) await enqueue(db, "send-post", asked, LOOK_AGAIN_MS);
      else await connection.remove(remote_id);
      return;
    }
    const live_at = await connection.liveAt(row.remote_id);
    if (live_at === null) {
      await enqueue(db, "send-post", asked, LOOK_AGAIN_MS);
      return;
    }
    await change({ state: "live", live_at, problem: null });
    await readViews(db, connection, { id: row.id, team_id: row.team_id, remote_id: row.remote_id });
  } catch (error) {
    if (error instanceof PostRefused) return fail(error.message);
    if (!(error instanceof ChannelAway)) throw error;
    const tries = row.tries + 1;
    log.warn({ post: row.id, tries, problem: error.message }, "channel is asked again");
    if (tries > MOST_TRIES) return fail(`${error.message} It was tried ${MOST_TRIES} times.`);
    // What was sent of a file that the channel lost is sent anew.
    const anew = tries > SENT_ANEW_AFTER ? { upload: null } : {};
    if (await change({ tries, problem: `${error.message} It is tried again.`, ...anew }))
      await enqueue(db, "send-post", asked, waitFor(tries, error.afterMs));
  }
}

/** Twice as long each time, and not all at the same moment; never before the channel wants to be asked. */
function waitFor(tries: number, afterMs: number): number {
  const wait = Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (tries - 1));
  return Math.max(afterMs, wait * (0.75 + Math.random() / 2));
}

type Change = Partial<{
  state: "posting" | "processing" | "live" | "failed";
  problem: string | null;
  upload: string | null;
  remote_id: string;
  live_at: Date;
  tries: number;
}>;

/** Changes a post that is still wanted, and tells the team. Gives whether it was. */
const changeOf =
  (db: Kysely<Database>, { post, asking }: Asked) =>
  async (change: Change): Promise<boolean> => {
    const row = await db
      .updateTable("post")
      .set(change)
      .where("id", "=", post)
      .where("asking", "=", asking)
      .where("state", "in", ["scheduled", "posting", "processing"])
      .returning(["team_id", "promotion_id", "state"])
      .executeTakeFirst();
    if (!row) return false;
    const { slug, name } = await db
      .selectFrom("promotion")
      .select(["slug", "name"])
      .where("id", "=", row.promotion_id)
      .executeTakeFirstOrThrow();
    await tellTeam(db, row.team_id, { topic: "post", id: post, slug, name, state: row.state });
    return true;
  };

/** Says that a post could not be made, through a fault of ours. */
export async function giveUpPost(db: Kysely<Database>, asked: Asked): Promise<void> {
  await changeOf(
    db,
    asked,
  )({
    state: "failed",
    problem: "Posting failed on our side. Press Try again; if it fails again, tell whoever runs Stencilcraft.",
  });
}
