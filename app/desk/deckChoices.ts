import { type Facts, type ProductFacts } from "../../core/document/facts";
import { type WordsRole } from "../../core/document/wordsRole";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { type ChosenMedia } from "../mediaChoice/useChosenMedia";

/** What the fields of the copy deck choose from. */
export interface DeckChoices {
  /** What is known of the media that are shown. */
  readonly media: ChosenMedia;
  readonly sounds: readonly OfferedMedia[];
  /** Something was chosen that nothing was known of yet. */
  readonly onChosen: (item: OfferedMedia) => void;
  /** What is known of the products that are named or shown. */
  readonly products: Facts["products"];
  /** A product was chosen that nothing was known of yet. */
  readonly onChosenProduct: (product: ProductFacts) => void;
  readonly offers: readonly { readonly id: string; readonly name: string; readonly state: string }[];
  /** Words to pick from, by what they are for. */
  readonly suggestions: Partial<Record<WordsRole, readonly string[]>>;
}
