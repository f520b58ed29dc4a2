import { array, string } from "yup";
import { type Facts, type MediaFacts } from "../../core/document/facts";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { TONES_LENGTH, type Tones } from "../../core/picture/tones";

const schema = array(string().length(TONES_LENGTH).required()).min(1).required();
const fetched = new Map<string, readonly Tones[]>();

/** The tones of a picture or clip, fetched once a page; null where they can't be had. */
export async function measuredTones(id: string): Promise<readonly Tones[] | null> {
  const known = fetched.get(id);
  if (known) return known;
  const response = await fetch(`/media/${id}/tones`);
  if (!response.ok) return null;
  const tones = schema.validateSync(await response.json());
  fetched.set(id, tones);
  return tones;
}

/** The ids of shown pictures and clips whose tones are not among the facts. */
function lacking({ scenes }: ResolvedPromotion): string[] {
  const shown = scenes.flatMap(({ shots }) => Object.values(shots).flatMap((own) => own.map(({ media }) => media)));
  return [...new Set(shown.filter(({ tones }) => tones === undefined).map(({ id }) => id))];
}

/**
 * The facts with the tones of everything that is shown, so that a proof chooses what goes behind words as the render will.
 * Fetched once a page; an item whose tones can't be had is left without.
 */
export async function withShownTones(promotion: ResolvedPromotion, facts: Facts): Promise<Facts> {
  const wanted = lacking(promotion);
  if (wanted.length === 0) return facts;
  await Promise.all(wanted.map(measuredTones));
  const added = wanted.flatMap((id): [string, MediaFacts][] => {
    const item = facts.media[id];
    const tones = fetched.get(id);
    return item && item.kind !== "sound" && tones ? [[id, { ...item, tones }]] : [];
  });
  return added.length === 0 ? facts : { ...facts, media: { ...facts.media, ...Object.fromEntries(added) } };
}
