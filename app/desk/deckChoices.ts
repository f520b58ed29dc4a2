import { type WordsRole } from "../../core/document/template";
import { type OfferedMedia } from "./MediaPicker";

/** What the fields of the copy deck choose from. */
export interface DeckChoices {
  readonly media: readonly OfferedMedia[];
  readonly products: readonly { readonly id: string; readonly name: string }[];
  readonly offers: readonly { readonly id: string; readonly name: string; readonly state: string }[];
  /** Words to pick from, by what they are for. */
  readonly suggestions: Partial<Record<WordsRole, readonly string[]>>;
}
