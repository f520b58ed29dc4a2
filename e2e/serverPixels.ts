import { mkdirSync } from "node:fs";
import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { FORMAT_NAMES } from "../core/placement/formats";
import { FPS_30, frameTime } from "../core/time/frames";
import { closeDatabase, database } from "../server/db/connect";
import { teamScope } from "../server/db/teamScope";
import { loadRenderInput } from "../server/promotions/loadFacts";
import { promotionBySlug } from "../server/promotions/promotionStore";
import { openFrameSource } from "../server/render/frameSource";

/** Paints frames of a promotion on the server, as the renderer does, and writes their RGBA: `serverPixels.ts SLUG OUT FRAME,FRAME…`. */
const [slug = "", out = "", frames = ""] = process.argv.slice(2);
mkdirSync(out, { recursive: true });
const row = await database()
  .selectFrom("promotion")
  .select("team_id")
  .where("slug", "=", slug)
  .executeTakeFirstOrThrow();
const scope = teamScope(database(), row.team_id);
const input = await loadRenderInput(scope, (await promotionBySlug(scope, slug)).document);
for (const format of FORMAT_NAMES) {
  const source = await openFrameSource(input, { format, quality: "1080p" });
  for (const frame of frames.split(",").map(Number))
    await writeFile(join(out, `${format}-${frame}.rgba`), await source.frameAt(frameTime(frame, FPS_30)));
  source.stop();
}
await closeDatabase();
process.exit();
