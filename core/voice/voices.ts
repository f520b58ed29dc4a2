import { keysOf } from "../records";

/** Voices that speak by themselves: the language they are for, and what people choose them by. */
export const VOICES = {
  "en-gb": "English (Britain)",
  "en-us": "English (America)",
  "en-gb-scotland": "English (Scotland)",
  de: "German",
  "fr-fr": "French",
  es: "Spanish (Spain)",
  "es-419": "Spanish (Latin America)",
  it: "Italian",
  "pt-br": "Portuguese (Brazil)",
  pt: "Portuguese (Portugal)",
  nl: "Dutch",
  sv: "Swedish",
  da: "Danish",
  pl: "Polish",
  cy: "Welsh",
  ga: "Irish",
  ar: "Arabic",
  he: "Hebrew",
  hi: "Hindi",
} as const;
export type VoiceName = keyof typeof VOICES;
export const VOICE_NAMES = keysOf(VOICES);

/** Whether a voice sounds like a man's or a woman's: the synthesiser's own variants. */
export const SOUNDS_LIKE = ["a man", "a woman"] as const;
export type SoundsLike = (typeof SOUNDS_LIKE)[number];

/** How a voice speaks. */
export interface Speaking {
  readonly voice: VoiceName;
  readonly like: SoundsLike;
  /** 0 low to 99 high. */
  readonly pitch: number;
  /** Words a minute. */
  readonly pace: number;
}

export const PITCH = { least: 0, most: 99, usual: 45 } as const;
export const PACE = { least: 80, most: 300, usual: 155 } as const;

export const USUAL_SPEAKING: Speaking = { voice: "en-gb", like: "a man", pitch: PITCH.usual, pace: PACE.usual };

/** The tag of the language that a voice speaks, as captions have it. */
export const languageOf = (voice: VoiceName): string =>
  new Intl.Locale(voice === "en-gb-scotland" ? "en-gb" : voice).language;
