import { resolvePromotion } from "../core/document/resolve";
import { USUAL_FORMATS } from "../core/placement/formats";
import { preparePromotion } from "../core/scene/preparePromotion";
import { fontFilesWanted } from "../core/scene/wantedFiles";
import { measureTones } from "../core/picture/tones";
import { template } from "../core/templates/build";
import { HOW_TO, MENU } from "../core/templates/lists";
import { ONE_OFFER } from "../core/templates/priceDrops";
import { QUOTE, THREE_REASONS } from "../core/templates/proofs";
import { openWanted, testBook } from "../core/testing/fonts";
import { PICTURE_ID, promotionOf, testFacts, testPicture } from "../core/testing/promotions";
import { shippedRef } from "../core/templates/shipped";
import { templateKey } from "../core/document/facts";

/** What the interface can take without a pause being seen: two frames at 60 a second. */
const WANTED_MS = 30;
const ROUNDS = 60;

/** Measures how long all scenes of a six-scene promotion take to solve in three formats, nothing taken over from before. */
export async function benchSolve(): Promise<void> {
  const scenes = [
    ONE_OFFER.scenes[0],
    THREE_REASONS.scenes[1],
    ONE_OFFER.scenes[2],
    HOW_TO.scenes[5],
    QUOTE.scenes[0],
    MENU.scenes.at(-1),
  ].flatMap((scene) => scene ?? []);
  const six = template({ slug: "six", name: "Six scenes", purpose: "other", about: "", scenes });
  const pixels = Uint8Array.from({ length: 480 * 480 * 4 }, (_, index) => (index * 7919) % 256);
  const facts = testFacts({
    templates: { [templateKey(shippedRef(six))]: six },
    media: { [PICTURE_ID]: testPicture({ tones: [measureTones(pixels, { width: 480, height: 480 })] }) },
  });
  const promotion = resolvePromotion(promotionOf(six), facts);
  const book = testBook();
  await openWanted(book, () => fontFilesWanted(promotion, book));
  const times = Array.from({ length: ROUNDS }, () => {
    const before = performance.now();
    for (const format of USUAL_FORMATS) preparePromotion(promotion, format, book);
    return performance.now() - before;
  })
    .slice(ROUNDS / 3)
    .sort((one, other) => one - other);
  const median = times[times.length >> 1] ?? 0;
  console.log(
    `six scenes in three formats: median ${median.toFixed(1)} ms, slowest ${times.at(-1)?.toFixed(1)} ms, warm`,
  );
  console.log(`ratio ${(median / WANTED_MS).toFixed(2)} of the ${WANTED_MS} ms that are wanted`);
}
