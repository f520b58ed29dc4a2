import { type MediaFacts } from "../document/facts";
import { type Lanes, heardFor } from "../document/lanes";
import { heardVoices } from "../document/voiceEdits";
import { type SceneSpan } from "../time/timeline";

/** When somebody speaks, in milliseconds. */
export interface Spoken {
  readonly from: number;
  readonly to: number;
}

/** When voices are heard: those that are not muted, as far as their sounds last. @param length of the promotion */
export const spokenTimes = (lanes: Lanes, media: Readonly<Record<string, MediaFacts>>, length: number): Spoken[] =>
  heardVoices(lanes, media).flatMap(({ piece, sound }) => {
    const from = piece.at ?? 0;
    // As long as it is, also where the promotion ends before it does.
    const lasts = heardFor(piece, sound, Math.max(length, from + sound.length));
    return lasts > 0 ? [{ from, to: from + lasts }] : [];
  });

/**
 * How long a scene has to be so that those who begin to speak in it have ended when the next comes in; null where nobody
 * does. @param overlap how long it shares the screen with the next, in milliseconds
 */
export function lengthForVoice({ start, end }: SceneSpan, voice: readonly Spoken[], overlap: number): number | null {
  const own = voice.filter(({ from }) => from >= start && from < end);
  return own.length > 0 ? Math.max(...own.map(({ to }) => to)) - start + overlap : null;
}
