import { type Entry, type EntryLook } from "../arrangement/layout";
import { type ResolvedScene } from "../document/resolve";
import { type WordsSlot, slotKey } from "../document/sceneTemplate";
import { type TypeRole } from "../type/roles";
import { writtenAs } from "../type/writtenAs";

/** What a scene has to show in words, in the order of its slots. Slots with nothing in them are not there. */
export function entriesOf(scene: ResolvedScene): Entry[] {
  return scene.template.slots.flatMap((slot): Entry[] => {
    const key = slotKey(scene.template, slot);
    const times = scene.template.times[slot.id];
    const timed = (entry: Entry): Entry => (times ? { ...entry, times } : entry);
    if (slot.kind === "words") {
      const text = writtenAs((scene.words[slot.id] ?? "").trim(), {
        capitals: slot.capitals,
        numbered: slot.numbered,
      });
      return text === "" ? [] : [timed(wordsEntry(slot, key, text))];
    }
    const { offer } = scene;
    if (slot.kind !== "offer" || !offer) return [];
    const part = (role: TypeRole, text: string, look: EntryLook, share: number): Entry[] =>
      text.trim() === "" ? [] : [timed({ id: `${slot.id}-${role}`, key, role, text, look, share })];
    return [
      ...part("badge", offer.badge, "badge", 0.9),
      ...part("price", offer.now, "strong", 2),
      ...part("was", offer.was, "struck", 0.7),
      ...part("until", offer.until, "plain", 0.8),
    ];
  });
}

function wordsEntry({ id, role, color, emphasis }: WordsSlot, key: Entry["key"], text: string): Entry {
  const base = { id, key, text, color, emphasis };
  if (role === "stars") return { ...base, role: "line", look: "stars", share: 0.5 };
  if (role === "link") return { ...base, role: "line", look: "code", share: 1.6 };
  return { ...base, role, look: LOOKS[role], share: SHARES[role] };
}

type PlainRole = Exclude<WordsSlot["role"], "stars" | "link">;
const LOOKS: Readonly<Record<PlainRole, EntryLook>> = {
  headline: "strong",
  name: "strong",
  line: "plain",
  small: "plain",
  call: "strong",
  contact: "plain",
  figure: "accent",
  quote: "strong",
  label: "plain",
  step: "plain",
};
const SHARES: Readonly<Record<PlainRole, number>> = {
  headline: 1.7,
  name: 1.1,
  line: 1,
  small: 0.7,
  call: 1.6,
  contact: 0.5,
  figure: 2.6,
  quote: 2.6,
  label: 0.6,
  step: 1,
};
