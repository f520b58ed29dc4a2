import { type ArrangementOf } from "../document/arrangements";
import { type Rect, bottom, rect, right, wholeOf } from "../geometry/rect";
import { type Shape, safeArea } from "../placement/formats";
import { type Content, type Layout } from "./layout";
import { logoInCorner } from "./logoInCorner";
import { stanceOf, steps, toRhythm } from "./shape";

/** The product on the brand's ground with a shadow, its badge on the card's edge, words beside or below. */
export function layCutOutCard(
  { pictureFirst }: ArrangementOf<"cut-out-card">,
  { shape, ground, entries, logo }: Content,
): Layout {
  const badge = entries.find(({ look }) => look === "badge");
  const others = entries.filter((entry) => entry !== badge);
  const [card, words] = cardAndWords(shape, pictureFirst, badge !== undefined);
  return {
    grounds: [{ place: wholeOf(shape), ink: ground }],
    pictures: [{ index: 0, place: card, drift: "none", shadow: true }],
    rules: [],
    columns: [
      ...(badge
        ? [
            {
              area: badgeArea(card, shape),
              entries: [badge],
              align: "end",
              anchor: "middle",
              gap: 0,
              on: { kind: "ground", role: ground },
            } as const,
          ]
        : []),
      {
        area: words,
        entries: others,
        align: "start",
        anchor: "middle",
        gap: steps(3),
        on: { kind: "ground", role: ground },
      },
    ],
    logo: logo ? logoInCorner(shape, card) : null,
  };
}

const BADGE_HEIGHT = steps(11);

function cardAndWords(shape: Shape, pictureFirst: boolean, hasBadge: boolean): readonly [card: Rect, words: Rect] {
  const safe = safeArea(shape);
  const gap = steps(6);
  // The badge hangs half over the card's foot.
  const foot = hasBadge ? BADGE_HEIGHT / 2 : 0;
  if (stanceOf(shape) === "standing") {
    const height = Math.min(toRhythm(safe.height * 0.52), safe.width * 1.2);
    const wordsHeight = safe.height - height - foot - gap;
    return pictureFirst
      ? [rect(safe.x, safe.y, safe.width, height), rect(safe.x, safe.y + height + foot + gap, safe.width, wordsHeight)]
      : [rect(safe.x, bottom(safe) - foot - height, safe.width, height), rect(safe.x, safe.y, safe.width, wordsHeight)];
  }
  const width = Math.min(toRhythm(safe.width * 0.5), safe.height * 1.15);
  const height = Math.min(safe.height - foot, width * 1.3);
  const y = safe.y + (safe.height - height - foot) / 2;
  const wordsWidth = safe.width - width - gap;
  return pictureFirst
    ? [rect(safe.x, y, width, height), rect(safe.x + width + gap, safe.y, wordsWidth, safe.height)]
    : [rect(right(safe) - width, y, width, height), rect(safe.x, safe.y, wordsWidth, safe.height)];
}

const badgeArea = (card: Rect, { safe, width }: Shape): Rect => {
  const end = Math.min(width - safe.right, right(card) + steps(2));
  const length = Math.min(card.width * 0.8, steps(44));
  return rect(end - length, bottom(card) - BADGE_HEIGHT / 2, length, BADGE_HEIGHT);
};
