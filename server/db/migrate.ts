import { type Kysely, type Migration, Migrator } from "kysely";
import { runMigrations } from "graphile-worker";
import { config } from "../config";
import { log } from "../log";
import * as foundation from "./migrations/0001_foundation";
import * as gather from "./migrations/0002_gather";
import * as templates from "./migrations/0003_templates";
import * as edits from "./migrations/0004_edits";
import * as passed from "./migrations/0005_passed";
import * as brandAge from "./migrations/0006_brand_age";
import * as holding from "./migrations/0007_holding";
import * as spaceUsed from "./migrations/0008_space_used";
import * as invitations from "./migrations/0009_invitations";
import * as teamStamp from "./migrations/0010_team_stamp";
import * as awaitedFills from "./migrations/0011_awaited_fills";
import * as archived from "./migrations/0012_archived";
import * as jobTimes from "./migrations/0013_job_times";
import * as usualBrand from "./migrations/0014_usual_brand";
import * as review from "./migrations/0015_review";
import * as outputs from "./migrations/0016_outputs";
import * as placements from "./migrations/0017_placements";
import * as posts from "./migrations/0018_posts";
import * as segmentWork from "./migrations/0019_segment_work";
import * as promotionList from "./migrations/0020_promotion_list";
import * as deeds from "./migrations/0021_deeds";
import * as keptStamp from "./migrations/0022_kept_stamp";
import * as promotionBrand from "./migrations/0023_promotion_brand";
import * as renditionStates from "./migrations/0024_rendition_states";
import { type Database } from "./tables";

/** In order. A migration that has run anywhere is never changed; a new one is added. */
const MIGRATIONS: Readonly<Record<string, Migration>> = {
  "0001_foundation": foundation,
  "0002_gather": gather,
  "0003_templates": templates,
  "0004_edits": edits,
  "0005_passed": passed,
  "0006_brand_age": brandAge,
  "0007_holding": holding,
  "0008_space_used": spaceUsed,
  "0009_invitations": invitations,
  "0010_team_stamp": teamStamp,
  "0011_awaited_fills": awaitedFills,
  "0012_archived": archived,
  "0013_job_times": jobTimes,
  "0014_usual_brand": usualBrand,
  "0015_review": review,
  "0016_outputs": outputs,
  "0017_placements": placements,
  "0018_posts": posts,
  "0019_segment_work": segmentWork,
  "0020_promotion_list": promotionList,
  "0021_deeds": deeds,
  "0022_kept_stamp": keptStamp,
  "0023_promotion_brand": promotionBrand,
  "0024_rendition_states": renditionStates,
};

/** Brings the database to the newest shape, the job queue's tables included. Safe to run twice. */
export async function migrate(db: Kysely<Database>): Promise<void> {
  const migrator = new Migrator({ db, provider: { getMigrations: () => Promise.resolve({ ...MIGRATIONS }) } });
  const { error, results } = await migrator.migrateToLatest();
  for (const { migrationName, status } of results ?? []) log.info({ migrationName, status }, "migration");
  if (error) throw new Error("The database could not be brought to the newest shape.", { cause: error });
  await runMigrations({ connectionString: config().DATABASE_URL });
}
