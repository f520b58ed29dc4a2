import { readingNeed } from "../time/reading";
import { plainWords } from "../type/emphasis";
import { millis } from "../units";
import { inCaptions } from "./breakLines";
import { type Cue } from "./cue";

/** Between two captions nothing is shown for so long, so that a change is noticed. */
export const GAP_MS = 80;

/**
 * Captions of a script: cut by the rules, one after the other from a time on, each as long as it takes to read. Where that
 * is longer than there is, all are shortened alike.
 *
 * @param from where they begin @param until where they must be gone; milliseconds
 */
export function captionsOfScript(
  script: string,
  { from, until }: { readonly from: number; readonly until: number },
): Cue[] {
  const texts = inCaptions(script);
  const needs = texts.map((text) => readingNeed(plainWords(text)));
  const room = Math.max(0, until - from);
  const wanted = needs.reduce((sum, need) => sum + need, 0) + GAP_MS * Math.max(0, texts.length - 1);
  const share = wanted > room && wanted > 0 ? room / wanted : 1;
  let at = from;
  return texts.flatMap((text, index) => {
    const to = at + (needs[index] ?? 0) * share;
    const cue: Cue = { from: millis(at), to: millis(to), text };
    at = to + GAP_MS * share;
    return cue.to > cue.from ? [cue] : [];
  });
}
