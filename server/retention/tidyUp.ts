import { type Kysely } from "kysely";
import { config } from "../config";
import { type Database } from "../db/tables";
import { log } from "../log";
import { forgetOldRenditions } from "./oldRenders";
import { forgetRemovedMedia } from "./removedMedia";
import { openSpaceCount } from "./spaceUsed";
import { thinEdits } from "./thinnedEdits";
import { removeUnreferred } from "./unreferredFiles";

const DAY_MS = 86_400_000;

/** What was tidied up. */
export interface Tidied {
  readonly edits: number;
  readonly versions: number;
  readonly media: number;
  readonly renditions: number;
  readonly files: number;
  readonly bytes: number;
}

/** The nightly job: what nothing refers to goes after the days that are set, then the space is counted. Safe to run twice. */
export async function tidyUp(db: Kysely<Database>, now: Date): Promise<Tidied> {
  const ago = (days: number): Date => new Date(now.getTime() - days * DAY_MS);
  const { KEEP_EDITS_DAYS, KEEP_REMOVED_DAYS, KEEP_MADE_DAYS, KEEP_RENDERS_DAYS, KEEP_DEEDS_DAYS } = config();
  const thinned = await thinEdits(db, ago(KEEP_EDITS_DAYS));
  const renditions = await forgetOldRenditions(db, ago(KEEP_RENDERS_DAYS));
  const media = await forgetRemovedMedia(db, ago(KEEP_REMOVED_DAYS));
  const space = await openSpaceCount(db);
  const removed = await removeUnreferred(db, ago(KEEP_MADE_DAYS), space.add);
  await space.keep(now);
  await db.deleteFrom("sign_in_pace").where("next_at", "<", ago(1)).execute();
  await db.deleteFrom("job_strike").where("struck_at", "<", ago(KEEP_MADE_DAYS)).execute();
  await db.deleteFrom("deed").where("at", "<", ago(KEEP_DEEDS_DAYS)).execute();
  await db.deleteFrom("segment_work").where("asked_at", "<", ago(KEEP_MADE_DAYS)).execute();
  await db.deleteFrom("job_time").where("ended_at", "<", ago(KEEP_MADE_DAYS)).execute();
  const tidied = { ...thinned, media, renditions, ...removed };
  log.info(tidied, "tidied up");
  return tidied;
}
