import { type Facts, type PictureFacts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { resolvePromotion } from "../../core/document/resolve";
import { formatOf, USUAL_FORMATS } from "../../core/placement/formats";
import { type Quality, outputSize, pixelsPerUnit } from "../../core/placement/quality";
import { displayListAt, preparePromotion } from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { FPS_30 } from "../../core/time/frames";
import { anyStills } from "../../core/testing/anyStill";
import { createPainter } from "../../paint/painter";
import { browserBook, openFiles } from "../../app/proof/browserBook";
import { browserResources, browserSurface, pictureCache } from "../../app/proof/browserResources";
import { withShownTones } from "../../app/proof/browserTones";
import { frameStart } from "../../core/time/ticks";

const MOST_PICTURE_BYTES = 1_000_000_000;

/** What a page of its own paints with the modules of the proofs, without the desk around them. */
export interface FramesWanted {
  readonly document: Promotion;
  readonly facts: Facts;
  readonly quality: Quality;
  readonly frames: readonly number[];
}

/** Stills that are drawn from a seed, see `anyStill.ts`. */
export interface StillsWanted {
  readonly pictures: readonly PictureFacts[];
  readonly quality: Quality;
  readonly seed: number;
  /** In each format. */
  readonly count: number;
}

declare global {
  interface Window {
    paintFrames: (wanted: FramesWanted) => Promise<Record<string, string>>;
    paintStills: (wanted: StillsWanted) => Promise<Record<string, string>>;
  }
}

/** SHA-256 of the pixels of each frame, by "format/frame". */
window.paintFrames = async ({ document, facts, quality, frames }) => {
  const toned = await withShownTones(resolvePromotion(document, facts), facts);
  const promotion = resolvePromotion(document, toned);
  const book = await browserBook();
  for (let wanted = fontFilesWanted(promotion, book); wanted.length > 0; wanted = fontFilesWanted(promotion, book))
    await openFiles(book, wanted);
  const resources = browserResources(
    pictureCache(MOST_PICTURE_BYTES),
    () => null,
    () => toned,
  );
  const hashes: Record<string, string> = {};
  for (const format of USUAL_FORMATS) {
    const prepared = preparePromotion(promotion, format, book);
    const size = outputSize(format, quality);
    const painter = createPainter(formatOf(format), size, resources);
    const surface = browserSurface(size.width, size.height);
    for (const frame of frames) {
      const list = displayListAt(prepared, frameStart(frame, FPS_30));
      await resources.load(list, pixelsPerUnit(format, size));
      painter.paint(list, surface.context);
      hashes[`${format}/${frame}`] = await hashOf(surface.context.getImageData(0, 0, size.width, size.height).data);
    }
  }
  return hashes;
};

/** SHA-256 of the pixels of each still, by "format/number". */
window.paintStills = async ({ pictures, quality, seed, count }) => {
  const resources = browserResources(
    pictureCache(MOST_PICTURE_BYTES),
    () => null,
    () => null,
  );
  const hashes: Record<string, string> = {};
  for (const format of USUAL_FORMATS) {
    const size = outputSize(format, quality);
    const painter = createPainter(formatOf(format), size, resources);
    const surface = browserSurface(size.width, size.height);
    for (const [number, list] of anyStills(formatOf(format), pictures, { seed, count }).entries()) {
      await resources.load(list, pixelsPerUnit(format, size));
      painter.paint(list, surface.context);
      hashes[`${format}/${number}`] = await hashOf(surface.context.getImageData(0, 0, size.width, size.height).data);
    }
  }
  return hashes;
};

async function hashOf(pixels: Uint8ClampedArray<ArrayBuffer>): Promise<string> {
  const hash = new Uint8Array(await crypto.subtle.digest("SHA-256", pixels));
  return Array.from(hash, (byte) => byte.toString(16).padStart(2, "0")).join("");
}
