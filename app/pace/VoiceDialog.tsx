import { counted } from "../../core/text/counted";
import { type ChangeEvent, useState } from "react";
import { array, number, object, string } from "yup";
import { readingNeed } from "../../core/time/reading";
import { type SpokenFrom, type SpokenSentence } from "../../core/document/voiceEdits";
import { MOST_SPOKEN_LETTERS, sentencesOf } from "../../core/voice/sentences";
import {
  PACE,
  PITCH,
  SOUNDS_LIKE,
  type Speaking,
  USUAL_SPEAKING,
  VOICES,
  VOICE_NAMES,
  languageOf,
} from "../../core/voice/voices";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { fieldLook } from "../components/fieldLook";
import { ChoiceField } from "../workshop/ChoiceField";
import { NumberField } from "../workshop/NumberField";
import { asked } from "../components/asked";

const answer = object({
  spoken: array(
    object({ media: string().required(), says: string().required(), length: number().required() }).required(),
  ).required(),
});
const NO_ANSWER = "The voice did not answer: the connection was lost. Try again.";

/** Has a script spoken. Throws, in words, when it can't be. */
async function spoken(script: string, speaking: Speaking): Promise<SpokenSentence[]> {
  const answered = await asked("/voice", { script, ...speaking }, { answer, lost: NO_ANSWER });
  return answered.spoken;
}

interface VoiceDialogProps {
  /** Where the first sentence of a text begins, in milliseconds. */
  readonly from: number;
  /** What was written to be said in scenes, and when they begin. */
  readonly scripts: readonly { readonly from: number; readonly text: string }[];
  readonly onSpoken: (parts: readonly SpokenFrom[]) => void;
  readonly onClose: () => void;
}

/** A script, and the voice that speaks it: sentence by sentence, so that each can be moved and replaced by itself. */
export function VoiceDialog({ from, scripts, onSpoken, onClose }: VoiceDialogProps) {
  const [script, setScript] = useState("");
  const [isOfScenes, setOfScenes] = useState(scripts.length > 0);
  const [speaking, setSpeaking] = useState(USUAL_SPEAKING);
  const [isSpeaking, setIsSpeaking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const parts = isOfScenes ? scripts : [{ from, text: script }];
  const sentences = parts.flatMap(({ text }) => sentencesOf(text, languageOf(speaking.voice)));
  const type = ({ target: { value } }: ChangeEvent<HTMLTextAreaElement>): void => setScript(value);
  const takeScenes = (): void => setOfScenes(!isOfScenes);
  const set = (change: Partial<Speaking>): void => setSpeaking({ ...speaking, ...change });
  async function speak(): Promise<void> {
    setIsSpeaking(true);
    setProblem(null);
    try {
      const done: SpokenFrom[] = [];
      for (const part of parts) done.push({ from: part.from, spoken: await spoken(part.text, speaking) });
      onSpoken(done);
      onClose();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : NO_ANSWER);
    } finally {
      setIsSpeaking(false);
    }
  }
  const many = counted(sentences.length, "sentence");
  return (
    <DialogFrame
      title="What is said"
      size="max-w-2xl"
      onClose={onClose}
      foot={
        <>
          <Button onClick={onClose}>Leave it</Button>
          <Button look="main" disabled={sentences.length === 0 || isSpeaking} onClick={() => void speak()}>
            {isSpeaking ? "Speaking …" : `Speak ${many}`}
          </Button>
        </>
      }
    >
      <div className="flex min-h-0 flex-1 flex-col gap-4 overflow-y-auto px-6 py-4">
        {scripts.length > 0 && (
          <label className="flex min-h-6 items-center gap-1.5 text-[13px] text-soft">
            <input type="checkbox" className="accent-accent" checked={isOfScenes} onChange={takeScenes} />
            the scripts of the scenes, each from where its scene begins
          </label>
        )}
        {!isOfScenes && (
          <label className="flex flex-col gap-1 text-[13px] text-soft">
            Script, spoken from {(from / 1000).toFixed(1)} s on
            <textarea
              rows={5}
              value={script}
              maxLength={MOST_SPOKEN_LETTERS}
              onChange={type}
              className={`${fieldLook} resize-y text-ink`}
            />
          </label>
        )}
        <div className="grid grid-cols-[2fr_1fr_1fr_1fr] items-end gap-3">
          <ChoiceField
            label="Language"
            value={speaking.voice}
            choices={VOICE_NAMES.map((name) => [name, VOICES[name]] as const)}
            onChange={(voice) => set({ voice })}
          />
          <ChoiceField
            label="Sounds like"
            value={speaking.like}
            choices={SOUNDS_LIKE}
            onChange={(like) => set({ like })}
          />
          <NumberField
            label="Pitch"
            least={PITCH.least}
            most={PITCH.most}
            value={speaking.pitch}
            onChange={(pitch) => set({ pitch })}
          />
          <NumberField
            label="Words a minute"
            least={PACE.least}
            most={PACE.most}
            step={5}
            value={speaking.pace}
            onChange={(pace) => set({ pace })}
          />
        </div>
        {problem && (
          <p role="alert" className="text-[13.5px] text-wrong">
            {problem}
          </p>
        )}
        <ol aria-label="Sentence by sentence" className="flex flex-col text-[13.5px]">
          {sentences.map((sentence, at) => (
            <li key={`${at} ${sentence}`} className="flex gap-3 border-t border-rule py-1">
              <span className="min-w-0 flex-1">{sentence}</span>
              <span className="shrink-0 figures text-[12px] whitespace-nowrap text-soft">
                read in {(readingNeed(sentence) / 1000).toFixed(1)} s
              </span>
            </li>
          ))}
        </ol>
      </div>
    </DialogFrame>
  );
}
