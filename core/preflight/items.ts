import { itemKey } from "../document/itemKey";
import { type Item } from "../document/items";
import { contains, overlaps } from "../geometry/rect";
import { formatOf, safeArea } from "../placement/formats";
import { type PreparedPromotion } from "../scene/preparePromotion";
import { type PreparedItem } from "../scene/prepared";
import { readingNeed, readingVerdict } from "../time/reading";
import { msOf } from "../time/ticks";
import { type Span } from "../time/tracks";
import { type CheckedPromotion, type WholeRule } from "./finding";

/** Letters are not as wide as their place, and what is moved by hand snaps to whole units. */
const SLACK = 2;

/** Words of one's own in a format, and when they are there. */
interface OwnWords {
  readonly item: Extract<Item, { readonly kind: "words" }>;
  readonly span: Span<PreparedItem>;
}

const ownWordsIn = ({ document }: CheckedPromotion, { items }: PreparedPromotion): readonly OwnWords[] =>
  items.flatMap((span) => {
    const item = document.items[span.what.id];
    return item?.kind === "words" && item.text.trim() !== "" ? [{ item, span }] : [];
  });

export const itemsInSafeArea: WholeRule = {
  id: "items-in-safe-area",
  about: "Words of one's own stand inside the safe area of their format.",
  lookAtAll: (checked) =>
    checked.formats.flatMap((prepared) => {
      const safe = safeArea(formatOf(prepared.format));
      return ownWordsIn(checked, prepared)
        .filter(({ span }) => !contains(safe, span.what.place, SLACK))
        .map(({ item, span: { what } }) => ({
          severity: "warning" as const,
          where: { scene: item.from, format: prepared.format, slot: itemKey(what.id) },
          words: `“${item.text}” stands outside the safe area`,
          numbers: {
            outsideUnits: Math.round(
              Math.max(
                safe.x - what.place.x,
                safe.y - what.place.y,
                what.place.x + what.place.width - safe.x - safe.width,
                what.place.y + what.place.height - safe.y - safe.height,
              ),
            ),
          },
          cures: [],
        }));
    }),
};

export const itemsReadable: WholeRule = {
  id: "items-readable",
  about: "Words of one's own stay long enough to be read.",
  lookAtAll: (checked) =>
    checked.formats.slice(0, 1).flatMap((prepared) =>
      ownWordsIn(checked, prepared).flatMap(({ item, span }) => {
        const stays = msOf(span.to) - msOf(span.from);
        const verdict = readingVerdict(item.text, stays);
        return verdict === "fine"
          ? []
          : [
              {
                severity: verdict === "short" ? ("wrong" as const) : ("warning" as const),
                where: { scene: item.from, format: null, slot: itemKey(span.what.id) },
                words: verdict === "short" ? "too short to read" : "tight to read",
                numbers: { needsMs: Math.round(readingNeed(item.text)), staysMs: Math.round(stays) },
                cures: [],
              },
            ];
      }),
    ),
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
