import { createHash } from "node:crypto";
import { type PictureFacts } from "../core/document/facts";
import { formatOf, USUAL_FORMATS } from "../core/placement/formats";
import { isQuality, outputSize, pixelsPerUnit } from "../core/placement/quality";
import { anyStills } from "../core/testing/anyStill";
import { createPainter } from "../paint/painter";
import { closeDatabase } from "../server/db/connect";
import { loadRenderInput } from "../server/promotions/loadFacts";
import { nodeResources, nodeSurface } from "../server/render/nodeResources";
import { storedPromotion } from "./storedPromotion";

/**
 * Paints stills drawn from a seed on the server, of pictures that a promotion shows, and prints the pictures with the
 * SHA-256 of each still: `serverStills.ts SLUG QUALITY SEED COUNT`.
 */
const [slug = "", quality = "", seed = "", count = ""] = process.argv.slice(2);
if (!isQuality(quality)) throw new RangeError(`There is no quality “${quality}”.`);
const { scope, document } = await storedPromotion(slug);
const { facts, hashes: bytes } = await loadRenderInput(scope, document);
/** In the order of their bytes: their ids are others in every instance. */
const pictures = Object.values(facts.media)
  .filter((media): media is PictureFacts => media.kind === "picture")
  .sort((one, other) => ((bytes[one.id] ?? "") < (bytes[other.id] ?? "") ? -1 : 1));
const resources = nodeResources(bytes);
const hashes: Record<string, string> = {};
for (const format of USUAL_FORMATS) {
  const size = outputSize(format, quality);
  const painter = createPainter(formatOf(format), size, resources);
  const surface = nodeSurface(size.width, size.height);
  const stills = anyStills(formatOf(format), pictures, { seed: Number(seed), count: Number(count) });
  for (const [number, list] of stills.entries()) {
    await resources.load(list, pixelsPerUnit(format, size));
    painter.paint(list, surface.context);
    const pixels = surface.canvas.getContext("2d").getImageData(0, 0, size.width, size.height).data;
    hashes[`${format}/${number}`] = createHash("sha256").update(pixels).digest("hex");
  }
}
process.stdout.write(JSON.stringify({ pictures, hashes }));
await closeDatabase();
process.exit();
