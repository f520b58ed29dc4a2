import { array, string } from "yup";
import { type ClipFacts, type Facts, type MediaFacts, type PictureFacts } from "../../core/document/facts";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { mediaAddress } from "../components/mediaAddress";
import { TONES_LENGTH, type Tones } from "../../core/picture/tones";

const schema = array(string().length(TONES_LENGTH).required()).min(1).required();
type Seen = PictureFacts | ClipFacts;
/** By their addresses. */
const fetched = new Map<string, Promise<readonly Tones[] | null>>();

/** The tones of a picture or clip, fetched once a page; null where they can't be had. */
export function measuredTones(media: Pick<Seen, "id" | "version">): Promise<readonly Tones[] | null> {
  const address = mediaAddress(media, "tones");
  const known = fetched.get(address) ?? fetchTones(address);
  fetched.set(address, known);
  // Whoever asks again may have them.
  const forget = (): void => void fetched.delete(address);
  known.then((tones) => tones ?? forget(), forget);
  return known;
}

/** A line that is cut is an error, as it is for pictures: a proof is not shown with another shade than the render's. */
async function fetchTones(address: string): Promise<readonly Tones[] | null> {
  const response = await fetch(address);
  const tones: unknown = response.ok ? await response.json() : null;
  return schema.isValidSync(tones) ? tones : null;
}

/** Everything that words may stand on in any format, in what is shown and beside it, whose tones are not known. */
function lacking({ scenes, inFormat }: ResolvedPromotion): Seen[] {
  const all = [...scenes, ...Object.values(inFormat).flatMap((own) => own?.scenes ?? [])];
  const seen = all.flatMap(({ shots, behind }) => [
    ...Object.values(shots).flatMap((own) => own.map(({ media }) => media)),
    ...Object.values(behind),
  ]);
  return [...new Map(seen.filter(({ tones }) => tones === undefined).map((media) => [media.id, media])).values()];
}

/**
 * The facts with the tones of everything that is shown, so that a proof chooses what goes behind words as the render will.
 * Fetched once a page; an item whose tones can't be had is left without.
 */
export async function withShownTones(promotion: ResolvedPromotion, facts: Facts): Promise<Facts> {
  const added = await Promise.all(
    lacking(promotion).map(async ({ id, version }): Promise<readonly [string, MediaFacts] | null> => {
      const item = facts.media[id];
      const tones = await measuredTones({ id, version });
      return item && item.kind !== "sound" && tones ? [id, { ...item, tones }] : null;
    }),
  );
  const toned = added.filter((one) => one !== null);
  return toned.length === 0 ? facts : { ...facts, media: { ...facts.media, ...Object.fromEntries(toned) } };
}
