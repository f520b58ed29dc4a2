import { mkdirSync } from "node:fs";
import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import { USUAL_FORMATS } from "../core/placement/formats";
import { FPS_30 } from "../core/time/frames";
import { closeDatabase } from "../server/db/connect";
import { loadRenderInput } from "../server/promotions/loadFacts";
import { openFrameSource } from "../server/render/frameSource";
import { storedPromotion } from "./storedPromotion";
import { frameStart } from "../core/time/ticks";

/** Paints frames of a promotion on the server, as the renderer does, and writes their RGBA: `serverPixels.ts SLUG OUT FRAME,FRAME…`. */
const [slug = "", out = "", frames = ""] = process.argv.slice(2);
mkdirSync(out, { recursive: true });
const { scope, document } = await storedPromotion(slug);
const input = await loadRenderInput(scope, document);
for (const format of USUAL_FORMATS) {
  const source = await openFrameSource(input, { format, quality: "1080p" });
  for (const frame of frames.split(",").map(Number))
    await writeFile(join(out, `${format}-${frame}.rgba`), await source.frameAt(frameStart(frame, FPS_30)));
  source.stop();
}
await closeDatabase();
process.exit();
