import { type ResolvedPromotion } from "../document/resolve";
import { centreOf, evenInsets, inset, rect } from "../geometry/rect";
import { formatOf } from "../placement/formats";
import { type FontBook } from "../type/fontBook";
import { roundedRect } from "../type/outline";
import { brandStyle } from "./brandStyle";
import { type PreparedPromotion } from "./preparePromotion";
import { setWords, still, wordNodes } from "./wordsBlock";

/** What is written on drafts. */
export const DRAFT_WORD = "draft";

/** From the frame's corner, in design units: in the margin that every format keeps free of words and logos. */
const FROM_EDGE = 8;
const HEIGHT = 40;
/** Of the pill's height: what the word takes, and what is left free at either end. */
const [WORD_SHARE, END_SHARE] = [0.7, 0.45];

/**
 * The same promotion with a small mark in its corner, over everything and all the time, so that a file that was made to be
 * looked at is not taken for one that may go out. The letters of `DRAFT_WORD` must be open in the book.
 */
export function withDraftMark(
  prepared: PreparedPromotion,
  { facts: { brand }, base }: ResolvedPromotion,
  book: FontBook,
): PreparedPromotion {
  const { format } = prepared;
  const style = brandStyle(brand, book);
  const setter = { style, design: base.style, book, shape: formatOf(format), format };
  const word = setWords(
    setter,
    { role: "label", text: DRAFT_WORD, align: "start", largest: HEIGHT * WORD_SHARE },
    formatOf(format),
  );
  const pill = rect(FROM_EDGE, FROM_EDGE, word.width + 2 * END_SHARE * HEIGHT, HEIGHT);
  const middle = centreOf(pill);
  const at = { x: middle.x - word.width / 2, y: middle.y - word.height / 2 };
  return {
    ...prepared,
    mark: still(
      [
        { kind: "shape", outline: roundedRect(pill, HEIGHT / 2), at: { x: 0, y: 0 }, ink: style.plate },
        {
          kind: "shape",
          outline: roundedRect(inset(pill, evenInsets(2)), HEIGHT / 2 - 2),
          at: { x: 0, y: 0 },
          ink: style.onPlate,
        },
        ...wordNodes(word, at, { ink: style.plate, marked: style.plate }),
      ],
      pill,
    ),
  };
}
