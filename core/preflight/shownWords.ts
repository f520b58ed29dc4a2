import { type SlotKey } from "../document/sceneTemplate";
import { type SheetScene, type SheetSlot } from "../scene/proofSheet";

/** The words that a slot shows in a scene. The parts of an offer are read as one text. */
export interface ShownWords {
  readonly key: SlotKey;
  readonly text: string;
  readonly parts: readonly SheetSlot[];
  /** When they come in, from their scene's start, and go, before its end, in milliseconds. */
  readonly comes: number;
  readonly goes: number;
}

/** Every slot of a scene that shows words, in the order they stand in. */
export function shownWords({ slots }: SheetScene): ShownWords[] {
  const words = slots.filter(({ kind }) => kind === "words");
  return [...new Set(words.map(({ key }) => key))].map((key) => {
    const parts = words.filter((slot) => slot.key === key);
    const { comes, goes } = parts[0]?.times ?? { comes: 0, goes: 0 };
    return { key, text: parts.map(({ text }) => text).join(" "), parts, comes, goes };
  });
}
