import { copyFile } from "node:fs/promises";
import { join } from "node:path";
import { type Kysely } from "kysely";
import { DEMO_PASSWORD } from "../server/auth/demoPassword";
import { hashPassword } from "../server/auth/passwords";
import { type Database, type Role } from "../server/db/tables";
import { type TeamScope, teamScope } from "../server/db/teamScope";
import { ingestMedia } from "../server/media/ingest";
import { isMeasured } from "../server/media/measured";
import { receiveMedia } from "../server/media/receive";
import { mediaFacts } from "../server/media/storedFacts";
import { withTones } from "../server/media/tones";
import { untilReadIn } from "../server/media/untilReadIn";
import { inWorkFolder } from "../server/workFolder";
import { LOGOS } from "./art/logo";
import { quillfernBook, tallowbyBook } from "./brandBooks";
import { BAKEHOUSE_LOGO } from "./makeFile";
import { type DemoFiles, openDemoFiles } from "./demoFiles";
import { addOffers } from "./offers";
import { addProducts } from "./products";
import { addPromotions } from "./promotions";

const PEOPLE: readonly { name: string; email: string; role: Role; operates?: boolean }[] = [
  { name: "Imre Vass", email: "imre@quillfern.example.com", role: "owner", operates: true },
  { name: "Delphine Orrow", email: "delphine@quillfern.example.com", role: "designer" },
  { name: "Tamsin Kell", email: "tamsin@quillfern.example.com", role: "marketer" },
  { name: "Bram Okoro", email: "bram@quillfern.example.com", role: "reviewer" },
];

/** What is still to be done when the demo world can be looked at. */
export interface DemoRest {
  /** Resolves when a worker has read in what was left to it, and that is kept for the next demo world. */
  readonly kept: () => Promise<void>;
}

/**
 * Loads the demo world into an empty database. Does nothing when there is any team already; one whose loading was cut short
 * is loaded anew, from the files that were made by then.
 *
 * @param leavesClips whether clips that were never read in on this machine are left to a worker, as they take longest
 */
export async function loadDemo(
  db: Kysely<Database>,
  tell: (step: string) => void,
  { leavesClips = false }: { readonly leavesClips?: boolean } = {},
): Promise<DemoRest> {
  await db.deleteFrom("team").where("is_demo", "=", true).where("loaded", "=", false).execute();
  if (await db.selectFrom("team").select("id").limit(1).executeTakeFirst()) return { kept: () => Promise.resolve() };
  tell("Making the demo world: pictures, clips, tunes …");
  const team = await db
    .insertInto("team")
    .values({
      ...{ name: "Quillfern", locale: "en-GB", zone: "Europe/London", currency: "GBP" },
      ...{ is_demo: true, loaded: false },
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const scope = teamScope(db, team.id);
  try {
    const files = await openDemoFiles();
    const media = await loadMedia(db, scope, { files, leavesClips, tell });
    await fillTeam(db, scope, media);
    await db.updateTable("team").set({ loaded: true }).where("id", "=", team.id).execute();
    tell("The demo world is loaded.");
    return { kept: () => keepLeft(scope, media.left, files) };
  } catch (error) {
    await db.deleteFrom("team").where("id", "=", team.id).execute();
    throw error;
  }
}

/** Files of the demo world, brought in. */
interface DemoMedia {
  /** Items by the names of their files. */
  readonly ids: ReadonlyMap<string, string>;
  /** Items that a worker will read in. */
  readonly left: readonly string[];
}

async function fillTeam(db: Kysely<Database>, scope: TeamScope, { ids: media, left }: DemoMedia): Promise<void> {
  const password_hash = await hashPassword(DEMO_PASSWORD);
  await db
    .insertInto("member")
    .values(PEOPLE.map((person) => ({ ...person, team_id: scope.teamId, password_hash })))
    .execute();
  const brand = await scope
    .insert("brand", {
      name: "Quillfern",
      book: JSON.stringify(quillfernBook(media)),
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  const bakehouse = await scope
    .insert("brand", { name: "Tallowby Bakehouse", book: JSON.stringify(tallowbyBook(media)) })
    .returning("id")
    .executeTakeFirstOrThrow();
  const products = await addProducts(scope, media);
  const offers = await addOffers(scope, products);
  const brands = { nursery: brand.id, bakehouse: bakehouse.id };
  await addPromotions(scope, { media, unread: new Set(left), products, offers, brands });
}

async function loadMedia(
  db: Kysely<Database>,
  scope: TeamScope,
  { files, leavesClips, tell }: LoadedBy,
): Promise<DemoMedia> {
  const ids = new Map<string, string>();
  const left: string[] = [];
  await files.forEach(async (name, path) => {
    const isLogo = name in LOGOS || name === BAKEHOUSE_LOGO;
    const { id } = await inWorkFolder("demo", async (folder) => {
      // The file itself is kept for the next demo world.
      const copy = join(folder, "file");
      await copyFile(path, copy);
      return receiveMedia(scope, name, copy, { isLogo });
    });
    await noteOrigin(scope, id, name);
    ids.set(name, id);
    if (leavesClips && (await isUnreadClip(scope, id))) {
      // Bringing it in has queued it for a worker.
      left.push(id);
      return;
    }
    await ingestMedia(db, id);
    await keepRead(scope, id, files);
    tell(`  ${name}`);
  });
  return { ids, left };
}

interface LoadedBy {
  readonly files: DemoFiles;
  readonly leavesClips: boolean;
  readonly tell: (step: string) => void;
}

async function isUnreadClip(scope: TeamScope, id: string): Promise<boolean> {
  const row = await scope.media().select(["kind", "sha256"]).where("id", "=", id).executeTakeFirstOrThrow();
  return row.kind === "clip" && !(await isMeasured(row.sha256));
}

/** Keeps what was made of an item that was read in. */
async function keepRead(scope: TeamScope, id: string, files: DemoFiles): Promise<void> {
  const row = await scope.media().selectAll().where("id", "=", id).executeTakeFirstOrThrow();
  // Measured now, so that the first desk that is opened need not wait for it.
  const facts = mediaFacts(row);
  if (facts) await withTones(facts, row.sha256);
  await files.keepMade(row.sha256);
}

async function keepLeft(scope: TeamScope, left: readonly string[], files: DemoFiles): Promise<void> {
  await untilReadIn(scope, left, Infinity);
  for (const id of left) await keepRead(scope, id, files);
}

/** Everything of the demo is the team's own work. */
async function noteOrigin(scope: TeamScope, id: string, name: string): Promise<void> {
  const tags = name
    .replace(/\.\w+$/, "")
    .split("-")
    .filter((word) => word.length > 3);
  await scope
    .update("media")
    .set({ tags, source: "made in the potting shed", licence: "own work", holder: "Quillfern" })
    .where("id", "=", id)
    .execute();
}
