import { adjust } from "../document/edits";
import { readingNeed, readingVerdict } from "../time/reading";
import { millis } from "../units";
import { type CheckedScene, type Found, type SceneRule } from "./finding";
import { shownWords } from "./shownWords";

const LONGEST_SCENE_MS = 60_000;
/** Scenes get longer in steps that people would type. */
const STEP_MS = 100;

/** Words stay long enough to be read. */
export const readingTime: SceneRule = {
  id: "reading-time",
  about: "Words stay on screen long enough to be read.",
  isByFormat: false,
  look: (checked) =>
    shownWords(checked.prepared).flatMap(({ key, text, comes, goes }): Found[] => {
      const stays = Math.max(0, Math.min(checked.stays, checked.prepared.length - goes) - comes);
      const hasty = hardToRead(text, stays);
      if (!hasty) return [];
      const cures = hasty.severity === "wrong" ? longer(checked, readingNeed(text) - stays) : [];
      return [{ ...hasty, slot: key, cures }];
    }),
};

/** What is found of a text that can hardly be read in the time it stays, in milliseconds; null where it can. */
export function hardToRead(text: string, stays: number): Pick<Found, "severity" | "words" | "numbers"> | null {
  const verdict = readingVerdict(text, stays);
  if (verdict === "fine") return null;
  return {
    severity: verdict === "short" ? "wrong" : "warning",
    words: verdict === "short" ? "too short to read" : "tight to read",
    numbers: { needsMs: Math.round(readingNeed(text)), staysMs: Math.round(stays) },
  };
}

/** The scene made long enough, by so much and a little more, where its template lets a filler set its length. */
function longer({ scene, stays }: CheckedScene, missing: number): Found["cures"] {
  const { length, allows } = scene.template;
  const wanted = Math.ceil((length + (stays + missing) / 0.9 - stays) / STEP_MS) * STEP_MS;
  return allows.timing && wanted <= LONGEST_SCENE_MS
    ? [adjust("length", millis(wanted), { target: { scene: scene.id } })]
    : [];
}
