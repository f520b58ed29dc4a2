import { number, object, string } from "yup";
import { type Cue } from "../captions/cue";
import { type RecordPart } from "./documentShape";
import { MEMBER_ID } from "./memberId";
import { type Json, objectJsonSchema } from "./valueJsonSchemas";
import { Refusal } from "../refusal";
import { millis } from "../units";

/** A caption of a promotion, in a language. */
export interface Caption extends Cue {
  /** A language tag of BCP 47: `en`, `de`, `pt-BR`. */
  readonly language: string;
}
export type Captions = Readonly<Record<string, Caption>>;

export const MOST_CAPTIONS = 1500;
export const MOST_IN_CAPTION = 240;
const LONGEST_MS = 3_600_000;
const LANGUAGE = /^[a-z]{2,3}(?:-[A-Z][a-z]{3})?(?:-(?:[A-Z]{2}|\d{3}))?$/;
export const isLanguage = (tag: string): boolean => LANGUAGE.test(tag);

const time = number().integer("Times are whole milliseconds.").min(0).max(LONGEST_MS).required();
const caption = object({
  language: string().matches(LANGUAGE, "A language is written as a tag: en, de, pt-BR.").required(),
  from: time,
  to: time,
  text: string()
    .defined()
    .matches(/\S/, "A caption says something.")
    .max(MOST_IN_CAPTION, `A caption has at most ${MOST_IN_CAPTION} characters. Split it.`),
})
  .noUnknown()
  .required()
  .test("order", "A caption ends after it begins.", ({ from, to }) => to > from);

/** The captions of a promotion. */
export const CAPTIONS_PART = {
  least: 0,
  most: MOST_CAPTIONS,
  named: "caption",
  read: (key: string, value: unknown): Caption => {
    if (!MEMBER_ID.test(key)) throw new Refusal(`“${key}” can't be the id of a caption.`);
    const { language, from, to, text } = caption.validateSync(value, { strict: true });
    return { language, from: millis(from), to: millis(to), text };
  },
} satisfies RecordPart;

const timeJson: Json = { type: "integer", minimum: 0, maximum: LONGEST_MS };
export const captionJsonSchema: Json = objectJsonSchema({
  language: { type: "string", pattern: LANGUAGE.source },
  from: timeJson,
  to: timeJson,
  text: { type: "string", pattern: "\\S", maxLength: MOST_IN_CAPTION },
});

/** The captions in a language, in the order in which they come, with their ids. */
export const captionsIn = (captions: Captions, language: string): (Caption & { readonly id: string })[] =>
  Object.entries(captions)
    .filter(([, caption]) => caption.language === language)
    .map(([id, caption]) => ({ id, ...caption }))
    .sort((one, other) => one.from - other.from || one.to - other.to || (one.id < other.id ? -1 : 1));

/** The languages that there are captions in. */
export const languagesOf = (captions: Captions): string[] =>
  [...new Set(Object.values(captions).map(({ language }) => language))].sort();
