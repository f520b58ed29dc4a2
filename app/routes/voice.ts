import { number, object, string } from "yup";
import { PACE, PITCH, SOUNDS_LIKE, VOICE_NAMES } from "../../core/voice/voices";
import { requireEditor } from "../../server/auth/sessions";
import { isRefusal } from "../../server/edits/applyEach";
import { speak } from "../../server/voice/speech";
import { jsonOf } from "../../server/doors/readBody";
import type { Route } from "./+types/voice";

const wanted = object({
  script: string().required("There is nothing to say: write some words first."),
  voice: string().oneOf(VOICE_NAMES, "There is no such voice.").required(),
  like: string().oneOf(SOUNDS_LIKE, "A voice sounds like a man or a woman.").required(),
  pitch: number().integer().min(PITCH.least).max(PITCH.most).required(),
  pace: number().integer().min(PACE.least).max(PACE.most).required(),
});

/** Has a script spoken, sentence by sentence. Answers with the sentences and the media items that they are. */
export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  try {
    const { script, ...speaking } = wanted.validateSync(await jsonOf(request), { strict: true });
    return Response.json({ spoken: await speak(scope, script, speaking) }, { status: 201 });
  } catch (error) {
    if (isRefusal(error)) return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
