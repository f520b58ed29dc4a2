import { mixed, object } from "yup";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { asked } from "../components/asked";
import { isOfferedItem } from "../mediaChoice/isOffered";

const LOST = "The shelf did not answer: the connection was lost. Try again.";
const answer = object({ item: mixed<OfferedMedia>(isOfferedItem).required() });

/** Takes a sound from the shelf into the team's media, and waits until it can be heard. Throws, in words, when it can't be. */
export async function takenFromShelf(slug: string): Promise<OfferedMedia> {
  const { item } = await asked("/media/sounds", { slug }, { answer, lost: LOST });
  return item;
}
