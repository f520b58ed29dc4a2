import { type ResolvedPromotion } from "../document/resolve";
import { filesWanted } from "../type/itemise";
import { type FontBook } from "../type/fontBook";
import { brandStyle } from "./brandStyle";

/** Ids of the font files to open before a promotion can be prepared. Ask again after opening, until it is empty. */
export function fontFilesWanted(promotion: ResolvedPromotion, book: FontBook): string[] {
  const { faces } = brandStyle(promotion.facts.brand, book);
  // What arrangements add of their own: numbers of steps.
  const added = "0123456789";
  const texts: string[] = promotion.scenes.flatMap(({ words, offer, rows }) => [
    added,
    ...Object.values(words),
    ...(offer ? (Object.values(offer) as string[]) : []),
    ...rows.flatMap(({ name, price }) => [name, price]),
  ]);
  const wanted = texts.flatMap((text) => [...Object.values(faces).flatMap((files) => filesWanted(text, files, book))]);
  return [...new Set(wanted)];
}
