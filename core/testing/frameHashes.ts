import { mediaShown } from "../document/named";
import { createHash } from "node:crypto";
import { type Facts, type MediaFacts } from "../document/facts";
import { type Promotion } from "../document/promotion";
import { resolvePromotion } from "../document/resolve";
import { USUAL_FORMATS } from "../placement/formats";
import { displayListAt, preparePromotion } from "../scene/preparePromotion";
import { fontFilesWanted } from "../scene/wantedFiles";
import { openWanted, testBook } from "./fonts";
import { testClip, testFacts, testPicture } from "./promotions";
import { ticksOf } from "../time/ticks";

const book = testBook();

/** Facts in which every media item that a promotion fills in is there, each of another size. */
function factsFor({ fills }: Promotion): Facts {
  const facts = testFacts();
  const media: Record<string, MediaFacts> = { ...facts.media };
  for (const [index, [slot, fill]] of Object.entries(fills).sort().entries())
    for (const id of mediaShown({ fills: { [slot]: fill }, adjustments: {} }))
      media[id] ??=
        slot.includes("clip") || index % 3 === 2 ? testClip({ id }) : testPicture({ id, width: 1600 + 40 * index });
  return { ...facts, media };
}

/** SHA-256 of what is painted of a promotion at some times, in every format: `square/1200`. */
export async function frameHashes(document: Promotion, times: readonly number[]): Promise<Record<string, string>> {
  const promotion = resolvePromotion(document, factsFor(document));
  await openWanted(book, () => fontFilesWanted(promotion, book));
  return Object.fromEntries(
    USUAL_FORMATS.flatMap((format) => {
      const prepared = preparePromotion(promotion, format, book);
      return times.map((time) => [
        `${format}/${time}`,
        createHash("sha256")
          .update(JSON.stringify(displayListAt(prepared, ticksOf(time))))
          .digest("hex"),
      ]);
    }),
  );
}
