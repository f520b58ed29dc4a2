import { type SlotKey } from "../document/sceneTemplate";
import { type FormatName } from "../placement/formats";
import { type ProofSheet } from "../scene/proofSheet";
import { readingNeed } from "../time/reading";
import { shownWords } from "./shownWords";

/** What the copy deck shows of a slot's words, found or not. */
export interface WordMeasures {
  readonly sizes: readonly { readonly format: FormatName; readonly size: number; readonly fits: boolean }[];
  /** Share of the time on screen that reading takes; above 1 is too short. */
  readonly load: number;
}

/** The measures of every slot that shows words, from the formats prepared. */
export function wordMeasures(formats: readonly ProofSheet[]): Map<SlotKey, WordMeasures> {
  const measures = new Map<SlotKey, WordMeasures>();
  const [first] = formats;
  first?.scenes.forEach((scene, index) => {
    const span = first.spans[index];
    const stays = span ? (first.spans[index + 1]?.start ?? span.end) - span.start : 0;
    for (const { key, text, parts } of shownWords(scene)) {
      const [{ part } = { part: "" }] = parts;
      const sizes = formats.flatMap(({ format, scenes }) => {
        const slot = scenes[index]?.slots.find((other) => other.key === key && other.part === part);
        return slot?.fitted ? [{ format, size: slot.fitted.size, fits: slot.fitted.fits }] : [];
      });
      measures.set(key, { sizes, load: stays > 0 ? readingNeed(text) / stays : 0 });
    }
  });
  return measures;
}
