import { type LookupTable, compileTable } from "../grading/lookupTable";
import { farthestChange } from "../grading/overlays";
import { type Tones, gradedTones } from "../picture/tones";
import { type ClipFacts, type PictureFacts } from "./facts";
import { type Look, overlaysOf, tableOf } from "./look";

/** What was measured of a picture or clip as it looks, by its look. */
const measured = new WeakMap<readonly Tones[], Map<string, readonly Tones[]>>();

/**
 * A picture or clip as it is shown with a look: what was measured of it goes through the same table as its pixels, so that
 * what stands on it is judged by what is seen. Where something is laid over it, words must be read on it with and without.
 */
export function lookedAt<Media extends PictureFacts | ClipFacts>(media: Media, look: Look | undefined): Media {
  if (!look || look.length === 0) return media;
  const { tones } = media;
  return tones ? { ...media, shownLook: look, tones: seenTones(tones, look) } : { ...media, shownLook: look };
}

function seenTones(tones: readonly Tones[], look: Look): readonly Tones[] {
  const byLook = measured.get(tones) ?? new Map<string, readonly Tones[]>();
  measured.set(tones, byLook);
  const key = JSON.stringify(look);
  const known = byLook.get(key);
  if (known) return known;
  const under = tables(tableOf(look), tones);
  const over = overlaysOf(look).flatMap(({ overlay, strength }) => {
    const change = farthestChange(overlay, strength);
    return change ? tables(compileTable(`${overlay} ${strength}`, change), under) : [];
  });
  const seen = [...under, ...over];
  byLook.set(key, seen);
  return seen;
}

const tables = (table: LookupTable | null, tones: readonly Tones[]): readonly Tones[] =>
  table ? tones.map((one) => gradedTones(one, table)) : tones;
