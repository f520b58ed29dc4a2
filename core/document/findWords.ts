import { type Edit, together } from "./edit";
import { fillSlot, putItem } from "./edits";
import { type ItemKey, itemKey, itemOfKey } from "./itemKey";
import { type Item, isLettered } from "./items";
import { membersInOrder } from "./ordered";
import { MOST_WORDS, type Promotion } from "./promotion";
import { type ResolvedPromotion } from "./resolve";
import { type SlotKey, slotKey } from "./sceneTemplate";
import { Refusal } from "../refusal";

/** Words of a promotion, wherever they stand. */
export interface WordsPlace {
  readonly key: SlotKey | ItemKey;
  /** The scene and the slot, as people know them. */
  readonly named: string;
  readonly text: string;
  /** Why they are not to be changed here; null where they may be. */
  readonly kept: "locked" | "from elsewhere" | null;
}

/** How words are looked for. */
export interface Wanted {
  readonly words: string;
  readonly matchCase: boolean;
  readonly wholeWords: boolean;
}

/**
 * All words of a promotion in reading order: those of its slots, then those that lie over its scenes. Words that follow
 * the catalogue or the brand book are changed there, and those that the template locks by a designer.
 * @param free whether the person may change what is locked
 */
export function wordsPlaces(document: Promotion, { scenes }: ResolvedPromotion, free: boolean): WordsPlace[] {
  const inSlots = scenes.flatMap(({ template, words }) =>
    template.slots.flatMap((slot): WordsPlace[] => {
      if (slot.kind !== "words" || slot.role === "stars" || slot.role === "link") return [];
      const key = slotKey(template, slot);
      const isOwn = key in document.fills || slot.binding === undefined;
      return [
        {
          key,
          named: `${template.name}: ${slot.label}`,
          text: words[slot.id] ?? "",
          kept: !free && !slot.allows.content ? "locked" : isOwn ? null : "from elsewhere",
        },
      ];
    }),
  );
  const over = membersInOrder<string, Item>(document.items).flatMap((item): WordsPlace[] => {
    const scene = scenes.find(({ id }) => id === item.from);
    return isLettered(item) && scene
      ? [{ key: itemKey(item.id), named: `${scene.template.name}: over it`, text: item.text, kept: null }]
      : [];
  });
  return [...inSlots, ...over].filter(({ text }) => text !== "");
}

/** What is looked for as a pattern; null where nothing is. */
export function patternOf({ words, matchCase, wholeWords }: Wanted): RegExp | null {
  if (words === "") return null;
  const literal = words.replace(/[.*+?^${}()|[\]\\/-]/g, (sign) => `\\u{${sign.charCodeAt(0).toString(16)}}`);
  const edges = wholeWords ? (["(?<![\\p{L}\\p{N}])", "(?![\\p{L}\\p{N}])"] as const) : (["", ""] as const);
  return new RegExp(`${edges[0]}${literal}${edges[1]}`, matchCase ? "gu" : "giu");
}

/** How often a text has what is looked for. */
export const timesIn = (text: string, wanted: Wanted): number => {
  const pattern = patternOf(wanted);
  return pattern ? [...text.matchAll(pattern)].length : 0;
};

/**
 * One step that puts other words in the place of those found, wherever they may be changed. Null where there is nothing
 * to change. Throws, naming the place, when words would become too long to keep.
 */
export function replaceWords(
  document: Promotion,
  places: readonly WordsPlace[],
  wanted: Wanted,
  by: string,
): Edit | null {
  const pattern = patternOf(wanted);
  if (!pattern) return null;
  const edits = places.flatMap(({ key, named, text, kept }): Edit[] => {
    // As it was typed: what means something in replacements elsewhere is a sign like others here.
    const next = text.replace(pattern, () => by);
    if (kept !== null || next === text) return [];
    if (Array.from(next).length > MOST_WORDS)
      throw new Refusal(`“${named}” would have more than ${MOST_WORDS} characters.`);
    const id = itemOfKey(key);
    const item = id === null ? undefined : document.items[id];
    if (id !== null && item && isLettered(item)) return [putItem(id, { ...item, text: next })];
    // A key that is none of an item is one of a slot.
    return [fillSlot(key as SlotKey, { kind: "words", text: next })];
  });
  return edits.length > 0 ? together("Replace words", edits) : null;
}
