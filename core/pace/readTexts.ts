import { type ResolvedPromotion } from "../document/resolve";
import { itemWords } from "../document/itemText";
import { itemKey } from "../document/itemKey";
import { type PlacedKey } from "../document/placedKey";
import { shownWords } from "../preflight/shownWords";
import { type ProofSheet } from "../scene/proofSheet";
import { readingNeed } from "../time/reading";
import { msOf } from "../time/ticks";

/** A text that is to be read: from when until when it can be, and how long that takes. Milliseconds. */
export interface ReadText {
  readonly key: PlacedKey;
  readonly text: string;
  readonly from: number;
  readonly to: number;
  readonly need: number;
}

/** All that is to be read in a promotion, in the order in which it comes. Words of a scene can be read until the next comes in. */
export function readTexts(
  { items }: Pick<ResolvedPromotion, "items">,
  { scenes, spans }: Pick<ProofSheet, "scenes" | "spans">,
): ReadText[] {
  const ofScenes = scenes.flatMap((scene, index) => {
    const span = spans[index];
    if (!span) return [];
    const to = spans[index + 1]?.start ?? span.end;
    return shownWords(scene).map(({ key, text, comes, goes }) => ({
      key,
      text,
      from: span.start + comes,
      to: Math.min(to, span.end - goes),
      need: readingNeed(text),
    }));
  });
  const ofItems = items.flatMap(({ from, to, what: { id, item } }) => {
    const text = itemWords(item);
    return text === "" ? [] : [{ key: itemKey(id), text, from: msOf(from), to: msOf(to), need: readingNeed(text) }];
  });
  return [...ofScenes, ...ofItems]
    .filter(({ need, from, to }) => need > 0 && to > from)
    .sort((one, other) => one.from - other.from);
}

/** How much there is to read at a moment, in milliseconds from the start. */
export interface ReadingMoment {
  readonly at: number;
  /** The share of the time that reading all of it takes: 1 is all of the time, more is more than anybody can. */
  readonly load: number;
  /** The same for the text that alone takes the most. */
  readonly alone: number;
}

/**
 * How much of the time reading takes, all through a promotion. Each text is taken as read evenly while it can be.
 *
 * @param step milliseconds between two values @param length of the promotion
 */
export function readingLoad(texts: readonly ReadText[], length: number, step: number): ReadingMoment[] {
  return Array.from({ length: Math.floor(length / step) + 1 }, (_, index) => {
    const at = index * step;
    const loads = texts.filter(({ from, to }) => from <= at && at < to).map(({ from, to, need }) => need / (to - from));
    return { at, load: loads.reduce((sum, load) => sum + load, 0), alone: Math.max(0, ...loads) };
  });
}
