import { join } from "node:path";
import { MOST_SPOKEN_LETTERS, sentencesOf } from "../../core/voice/sentences";
import { type Speaking, VOICES, languageOf } from "../../core/voice/voices";
import { MOST_SAID } from "../../core/document/script";
import { type SpokenSentence } from "../../core/document/voiceEdits";
import { type TeamScope } from "../db/teamScope";
import { receiveMedia } from "../media/receive";
import { probe } from "../media/probe";
import { ProgramFailed, runProgram } from "../media/program";
import { type SniffedType } from "../media/sniff";
import { UploadProblem } from "../media/uploadProblem";
import { untilReadIn } from "../media/untilReadIn";
import { Refusal } from "../../core/refusal";
import { inWorkFolder } from "../workFolder";

/** What can't be spoken, in words for who wrote it. */
export class SpeechProblem extends Refusal {}

const TIME_LIMIT_MS = 30_000;
/** The synthesiser's variants of a voice. */
const VARIANTS = { "a man": "", "a woman": "+f3" } as const;
const NAME_LETTERS = 60;

const WAV: SniffedType = { kind: "sound", mime: "audio/wav", demuxer: "wav" };

/**
 * Speaks a script, sentence by sentence, each as a media item of the team that is read in when this resolves. Throws a
 * SpeechProblem where there is nothing to say, or too much.
 */
export async function speak(scope: TeamScope, script: string, speaking: Speaking): Promise<SpokenSentence[]> {
  if (script.length > MOST_SPOKEN_LETTERS)
    throw new SpeechProblem(
      `The script has ${script.length} characters; at most ${MOST_SPOKEN_LETTERS} are spoken at once. Speak it in parts.`,
    );
  const sentences = sentencesOf(script, languageOf(speaking.voice));
  if (sentences.length === 0) throw new SpeechProblem("There is nothing to say: write some words first.");
  const long = sentences.find(({ length }) => length > MOST_SAID);
  if (long)
    throw new SpeechProblem(
      `The sentence “${long.slice(0, 40)}…” is longer than ${MOST_SAID} characters. End it sooner.`,
    );
  return inWorkFolder("voice", async (folder) => {
    const spoken: SpokenSentence[] = [];
    for (const [index, says] of sentences.entries()) {
      const path = join(folder, `${index}.wav`);
      const length = await speakSentence(says, speaking, path);
      const name = `${Array.from(says).slice(0, NAME_LETTERS).join("").replaceAll(/[/\\]/g, " ")}.wav`;
      // The very same that was spoken before is the item that it was then.
      const { id } = await receiveMedia(scope, name, path);
      spoken.push({ media: id, says, length });
    }
    const items = spoken.map(({ media }) => media);
    await scope
      .update("media")
      .set({ source: "spoken by the simulated voice", licence: "free to use, made by Stencilcraft" })
      .where("id", "in", items)
      .where("licence", "=", "")
      .execute();
    await untilReadIn(scope, items);
    return spoken;
  });
}

/** Speaks a sentence to a WAV file. Gives how long it is, in milliseconds. */
export async function speakSentence(
  says: string,
  { voice, like, pitch, pace }: Speaking,
  path: string,
): Promise<number> {
  const how = ["-v", `${voice}${VARIANTS[like]}`, "-p", String(pitch), "-s", String(pace)];
  try {
    // The words come by the program's input, never as an argument: whatever they begin with, they are words.
    await runProgram("espeak-ng", ["--stdin", "-b", "1", "-z", ...how, "-w", path], {
      timeLimitMs: TIME_LIMIT_MS,
      input: says,
    });
    const { length } = await probe(path, WAV, "what was spoken");
    if (length > 0) return Math.round(length * 1000);
  } catch (error) {
    if (!(error instanceof ProgramFailed) && !(error instanceof UploadProblem)) throw error;
  }
  throw new SpeechProblem(`The ${VOICES[voice]} voice can't say “${says.slice(0, 60)}”.`);
}
