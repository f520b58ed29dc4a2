import { keysOf } from "../records";
import { type ResolvedPromotion } from "../document/resolve";
import { itemWords } from "../document/itemText";
import { graphemesOf } from "../type/faces";
import { filesWantedBy } from "../type/itemise";
import { type FontBook } from "../type/fontBook";
import { brandStyle } from "./brandStyle";
import { DRAFT_WORD } from "./draftMark";

/** Ids of the font files to open before a promotion can be prepared. Ask again after opening, until it is empty. */
export function fontFilesWanted(promotion: ResolvedPromotion, book: FontBook): string[] {
  const { faces } = brandStyle(promotion.facts.brand, book);
  // What arrangements add of their own: numbers of steps.
  const added = `0123456789${DRAFT_WORD}`;
  const texts: string[] = promotion.scenes.flatMap(({ words, offer, rows }) => [
    ...Object.values(words),
    ...(offer ? keysOf(offer).map((part) => offer[part]) : []),
    ...rows.flatMap(({ name, price }) => [name, price]),
  ]);
  const over = [
    ...[promotion.items, ...Object.values(promotion.inFormat).map((own) => own?.items ?? [])]
      .flat()
      .map(({ what }) => itemWords(what.item)),
    ...[promotion.captions, ...Object.values(promotion.captionsInFormat)].flatMap((shown) =>
      (shown?.cues ?? []).map(({ text }) => text),
    ),
  ];
  // Most of it is written more than once, and what is asked for depends on the letters alone.
  const graphemes = new Set([...new Set([added, ...texts, ...over])].flatMap(graphemesOf));
  return [...new Set(Object.values(faces).flatMap((files) => filesWantedBy(graphemes, files, book)))];
}
