import { type ListedPromotion } from "../../server/promotions/promotionList";

/** A promotion as the page of them gets it: its times and states are words by then. */
export interface ShownPromotion extends Pick<
  ListedPromotion,
  "id" | "slug" | "name" | "revision" | "formats" | "campaign" | "by"
> {
  readonly state: string;
  readonly changed: string;
}

/** What wall and rows have in common. */
export interface PromotionsShown {
  readonly promotions: readonly ShownPromotion[];
  readonly stamp: string;
  /** Whether the person may change them. */
  readonly edits: boolean;
  readonly marked: ReadonlySet<string>;
  readonly onToggle: (id: string) => void;
}
