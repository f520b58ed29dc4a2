import { type Schema, string } from "yup";

/** Characters said in one piece of sound, and in a scene. */
export const MOST_SAID = 2000;

/** What is said in a scene, as it is written down to be spoken. */
const script = string()
  .min(1, "A script says something.")
  .max(MOST_SAID, `The script of a scene has at most ${MOST_SAID} characters.`)
  .required();
export const scriptSchema = (): Schema<string> => script;
export const scriptJsonSchema = { type: "string", minLength: 1, maxLength: MOST_SAID };
