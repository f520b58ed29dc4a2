import { type Kysely } from "kysely";
import { type Database } from "../db/tables";
import { type TeamScope, teamScope } from "../db/teamScope";
import { tellTeam } from "../events/teamEvents";
import { enqueue } from "../jobs/enqueue";
import { whileTellingProgress } from "../jobs/whileTelling";
import { markNaming } from "../promotions/outdated";
import { proxyKey } from "../storage/keys";
import { store } from "../storage/store";
import { clipSubject } from "./clipSubject";
import { mediaFacts, moreFacts } from "./storedFacts";

/** Has the subject of a clip looked for. Gives the problem in words, or null. */
export async function askToFollow(scope: TeamScope, id: string): Promise<string | null> {
  const row = await scope.media().select(["kind", "state"]).where("id", "=", id).executeTakeFirst();
  if (row?.kind !== "clip" || row.state !== "ready") return "Only a clip that was read in has a subject to follow.";
  await enqueue(scope.connection, "follow-subject", { media: id });
  return null;
}

/** The job that looks for the subject of a clip that is read in already. Safe to run twice. */
export async function followMedia(db: Kysely<Database>, id: string): Promise<void> {
  const row = await db.selectFrom("media").selectAll().where("id", "=", id).executeTakeFirst();
  const clip = row && mediaFacts(row);
  if (!row || clip?.kind !== "clip") return;
  const tell = (state: "working" | "ready", progress: number): Promise<void> =>
    tellTeam(db, row.team_id, { topic: "media", id, state, progress });
  await tell("working", 0);
  const path = await store().local(proxyKey(row.sha256));
  const facts = { ...clip, cuts: moreFacts(row).cuts ?? [] };
  const subject = await whileTellingProgress(
    (share) => tell("working", share),
    (onProgress) => clipSubject(path, facts, onProgress),
  );
  const changed = await db
    .updateTable("media")
    .set({ facts: JSON.stringify({ ...row.facts, subject }) })
    .where("id", "=", id)
    // A file that was replaced meanwhile has facts, and a subject, of its own.
    .where("sha256", "=", row.sha256)
    .executeTakeFirst();
  if (changed.numUpdatedRows > 0n)
    await markNaming(teamScope(db, row.team_id), [id], `the subject of ${row.name} is followed`);
  await tell("ready", 1);
}
