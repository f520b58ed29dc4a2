import { object, string } from "yup";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { todayIn } from "../../server/media/mediaList";
import { chosenMedia } from "../../server/media/offeredMedia";
import { readSoundQuery, shelfSound, soundChoices } from "../../server/media/soundChoices";
import { untilReadIn } from "../../server/media/untilReadIn";
import { UploadProblem } from "../../server/media/uploadProblem";
import { keptFromShelf } from "../../server/shelf/keptFromShelf";
import { jsonOf } from "../../server/doors/readBody";
import type { Route } from "./+types/mediaSounds";

/** What can be chosen to be heard: the team's sounds, and those on the shelf. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  return soundChoices(scope, readSoundQuery(new URL(request.url).searchParams), todayIn(team.zone));
}

const wanted = object({ slug: string().required() });

/** Takes a sound from the shelf. Answers with the item that it is now, once it was read in. */
export async function action({ request }: Route.ActionArgs) {
  const { scope, team } = await requireEditor(request);
  const body: unknown = await jsonOf(request).catch(() => null);
  const item = wanted.isValidSync(body) ? shelfSound(body.slug) : null;
  if (!item) return Response.json({ problem: "There is no such sound on the shelf." }, { status: 404 });
  try {
    const { id } = await keptFromShelf(scope, item);
    await untilReadIn(scope, [id]);
    const chosen = await chosenMedia(scope, [id], todayIn(team.zone));
    return Response.json({ item: chosen[id] }, { status: 201 });
  } catch (error) {
    if (error instanceof UploadProblem) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
