import { array, object, string } from "yup";
import { type Finding } from "../../core/preflight/finding";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { placeInWords } from "../../core/preflight/placeInWords";

/** What had been found and was let pass when a render was asked for, by a named person with a reason. */
export interface Passed {
  readonly by: string;
  readonly reason: string;
  /** In words, each with its place. */
  readonly found: readonly string[];
}

const passedSchema = object({
  by: string().required(),
  reason: string().required(),
  found: array(string().required()).required(),
});
export const readPassed = (value: unknown): Passed | null =>
  value === null ? null : passedSchema.validateSync(value, { strict: true });

const MOST_REASON = 400;
const LEAST_REASON = 3;
const reasonSchema = string()
  .trim()
  .min(LEAST_REASON, "Say in a few words why it may be rendered as it is.")
  .max(MOST_REASON, `A reason has at most ${MOST_REASON} characters.`)
  .required("Say in a few words why it may be rendered as it is.");
/** Reads a reason that somebody gave. Throws Yup's ValidationError in words. */
export const readReason = (value: unknown): string => reasonSchema.validateSync(value);

/** What must be mended before a render, each with its place in words. */
export const wrongInWords = (findings: readonly Finding[], { scenes }: Pick<ResolvedPromotion, "scenes">): string[] =>
  findings
    .filter(({ severity }) => severity === "wrong")
    .map(
      ({ where, words }) =>
        `${placeInWords(
          where,
          scenes.map(({ template }) => template),
        )}: ${words}`,
    );
