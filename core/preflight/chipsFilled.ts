import { type Chip, chipText, emptyChips } from "../document/chips";
import { itemText } from "../document/itemText";
import { itemKey } from "../document/itemKey";
import { slotKey } from "../document/sceneTemplate";
import { type WholeRule, type Where, everywhere } from "./finding";

/** Words that follow the offer say nothing where there is none. */
export const chipsFilled: WholeRule = {
  id: "chips-filled",
  about: "Everything that words follow is there.",
  lookAtAll: ({ document, promotion: { facts, scenes, items } }) => {
    const inSlots = scenes.flatMap(({ id, template }) =>
      template.slots.map((slot) => ({
        fill: document.fills[slotKey(template, slot)],
        where: everywhere(id, slotKey(template, slot)),
      })),
    );
    const written = inSlots.flatMap(({ fill, where }) => (fill?.kind === "words" ? [{ text: fill.text, where }] : []));
    const own = items.flatMap(({ what: { id } }) => {
      const item = document.items[id];
      const text = item ? itemText(item) : null;
      return item && text !== null ? [{ text, where: everywhere(item.from, itemKey(id)) }] : [];
    });
    return [...written, ...own].flatMap(({ text, where }) => emptyChips(text, facts).map((chip) => found(chip, where)));
  },
};

const found = (chip: Chip, where: Where) => ({
  severity: "wrong" as const,
  where,
  words: `${chipText(chip)} stands for nothing: it needs ${chip.needs}`,
  numbers: {},
  cures: [],
});
