import { string, type Schema } from "yup";
import { type ColorRole } from "../color/palette";
import { type Caption, isLanguage } from "./captionsPart";
import { type Json } from "./valueJsonSchemas";

/** Where captions stand if nothing else is there. */
export const CAPTION_PLACES = ["low", "middle", "high"] as const;
export type CaptionPlace = (typeof CAPTION_PLACES)[number];

/** No captions are shown over the pictures. */
export const NO_CAPTIONS = "none";

/** The captions that are shown in a format, and how. */
export interface ShownCaptions {
  readonly cues: readonly (Caption & { readonly id: string })[];
  readonly at: CaptionPlace;
  readonly on: ColorRole;
  /** Times the usual size. */
  readonly size: number;
}

const shown = string()
  .required()
  .test(
    "language",
    `Captions are shown in a language (en, de, pt-BR) or not at all (${NO_CAPTIONS}).`,
    (tag) => tag === NO_CAPTIONS || isLanguage(tag),
  );
export const shownLanguageSchema = (): Schema<string> => shown;
export const shownLanguageJsonSchema: Json = { type: "string", minLength: 2, maxLength: 20 };
