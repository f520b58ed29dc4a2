import type { Marked } from "../../server/promotions/outdated";
/** What the catalogue's actions answer. */
export interface CatalogueAnswer {
  readonly saved: boolean;
  /** A problem of the whole, in words. */
  readonly problem: string | null;
  /** Problems by field. */
  readonly problems: Readonly<Record<string, string>>;
  /** What was done, in words. */
  readonly done: string;
}

export const answer = (change: Partial<CatalogueAnswer>): CatalogueAnswer => ({
  saved: false,
  problem: null,
  problems: {},
  done: "",
  ...change,
});

/** How many renditions a change made out of date, in words; empty for none. */
export function outdatedWords(count: Marked): string {
  if (count === "later") return " Renditions are being compared with it; those that differ are marked as out of date.";
  return count === 0 ? "" : ` ${count} ${count === 1 ? "rendition is" : "renditions are"} out of date now.`;
}
