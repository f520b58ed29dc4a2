import { contrastOnPictures } from "./contrast";
import { type Rule } from "./finding";
import { readingTime } from "./readingTime";
import { lettersThere, wordsFit } from "./wordsFit";

/** Everything that a promotion is looked at for before it is rendered. One entry a rule. */
export const RULES: readonly Rule[] = [lettersThere, wordsFit, contrastOnPictures, readingTime];
