import { mixed, object, string } from "yup";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { problemIn } from "../components/problemIn";

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
  const response = await fetch("/media/sounds", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify({ slug }),
  }).catch(() => {
    throw new Error(LOST);
  });
  const body: unknown = await response.json().catch(() => null);
  if (answer.isValidSync(body)) return body.item;
  throw new Error(problemIn(body) ?? LOST);
}
