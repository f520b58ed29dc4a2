import { takeOutItem } from "../document/edits";
import { itemKey } from "../document/itemKey";
import { itemWords } from "../document/itemText";
import { daysBetween } from "../offer/days";
import { type Item } from "../document/items";
import { overlaps } from "../geometry/rect";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { type PreparedItem } from "../scene/prepared";
import { msOf } from "../time/ticks";
import { type Span } from "../time/tracks";
import { type CheckedPromotion, type WholeRule, everywhere } from "./finding";
import { outsideSafeArea } from "./outsideSafeArea";
import { hardToRead } from "./readingTime";

/** Letters are not as wide as their place, and what is moved by hand snaps to whole units. */
const SLACK = 2;

/** Words of one's own in a format, as they are read in the end, and when they are there. */
interface OwnWords {
  readonly item: Item & { readonly text: string };
  readonly span: Span<PreparedItem>;
}

const ownWordsIn = ({ document }: CheckedPromotion, { items }: PreparedPromotion): readonly OwnWords[] =>
  items.flatMap((span) => {
    const item = document.items[span.what.id];
    const text = item && itemWords(item);
    return item && text ? [{ item: { ...item, text }, span }] : [];
  });

export const itemsInSafeArea: WholeRule = {
  id: "items-in-safe-area",
  about: "Words of one's own stand inside the safe area of their format.",
  lookAtAll: (checked) =>
    checked.formats.flatMap((prepared) =>
      ownWordsIn(checked, prepared).flatMap(({ item, span: { what } }) => {
        const outside = outsideSafeArea(`“${item.text}”`, what.place, prepared.format);
        const where = { scene: item.from, format: prepared.format, slot: itemKey(what.id) };
        return outside ? [{ ...outside, where, cures: [] }] : [];
      }),
    ),
};

export const itemsReadable: WholeRule = {
  id: "items-readable",
  about: "Words of one's own stay long enough to be read.",
  lookAtAll: (checked) =>
    ownWordsIn(checked, checked.prepared).flatMap(({ item, span }) => {
      const hasty = hardToRead(item.text, msOf(span.to) - msOf(span.from));
      return hasty ? [{ ...hasty, where: everywhere(item.from, itemKey(span.what.id)), cures: [] }] : [];
    }),
};

/** Two texts in one place at one time compete, and neither is read. */
export const textsApart: WholeRule = {
  id: "texts-apart",
  about: "No two texts stand over each other at the same time.",
  lookAtAll: (checked) =>
    checked.formats.flatMap((prepared) => {
      const own = ownWordsIn(checked, prepared);
      return own.flatMap(({ item, span }, at) => {
        const under =
          textsOfScenes(prepared, span) ?? own.slice(0, at).find((other) => isOver(span, other.span))?.item.text;
        return under === undefined
          ? []
          : [
              {
                severity: "warning" as const,
                where: { scene: item.from, format: prepared.format, slot: itemKey(span.what.id) },
                words: `“${item.text}” stands over “${under}”`,
                numbers: {},
                cures: [],
              },
            ];
      });
    }),
};

/** The first words of scenes that an item lies over while both are there. */
function textsOfScenes(
  { scenes, spans }: PreparedPromotion,
  { from, to, what }: Span<PreparedItem>,
): string | undefined {
  return scenes
    .filter((_, index) => {
      const span = spans[index];
      return span !== undefined && span.start < msOf(to) && msOf(from) < span.end;
    })
    .flatMap(({ slots }) => slots)
    .find(({ kind, fitted, place }) => kind === "words" && fitted !== null && overlaps(place, what.place, SLACK))?.text;
}

const isOver = (one: Span<PreparedItem>, other: Span<PreparedItem>): boolean =>
  one.from < other.to && other.from < one.to && overlaps(one.what.place, other.what.place, SLACK);

/** A counter to a day that has passed counts to nothing. */
export const countsToComing: WholeRule = {
  id: "counts-to-coming",
  about: "Counters count to a day that is still to come.",
  lookAtAll: ({ document, promotion: { facts, items } }) => {
    const { today } = facts.standing;
    return items.flatMap(({ what: { id } }) => {
      const item = document.items[id];
      if (item?.kind !== "counter" || item.day === null || today === null) return [];
      const left = daysBetween(today, item.day);
      if (left > 0) return [];
      return [
        {
          severity: left < 0 ? ("wrong" as const) : ("warning" as const),
          where: everywhere(item.from, itemKey(id)),
          words: left < 0 ? `it counts to ${item.day}, which has passed` : "it counts to today",
          numbers: { daysLeft: left },
          cures: [takeOutItem(document, id)],
        },
      ];
    });
  },
};
