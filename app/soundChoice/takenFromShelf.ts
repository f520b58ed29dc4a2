import { mixed, object, string } from "yup";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { asked } from "../components/asked";

const LOST = "The shelf did not answer: the connection was lost. Try again.";
const isOffered = (value: unknown): value is OfferedMedia =>
  object({
    facts: object({ id: string().required(), kind: string().required() }).required(),
    rights: string().required(),
  })
    .required()
    .isValidSync(value);
const answer = object({ item: mixed<OfferedMedia>(isOffered).required() });

/** Takes a sound from the shelf into the team's media, and waits until it can be heard. Throws, in words, when it can't be. */
export async function takenFromShelf(slug: string): Promise<OfferedMedia> {
  const { item } = await asked("/media/sounds", { slug }, { answer, lost: LOST });
  return item;
}
