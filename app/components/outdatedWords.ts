import type { Marked } from "../../server/promotions/outdated";

/** How many renditions a change made out of date, in words; empty for none. */
export function outdatedWords(count: Marked): string {
  if (count === "later") return " Renditions are being compared with it; those that differ are marked as out of date.";
  return count === 0 ? "" : ` ${count} ${count === 1 ? "rendition is" : "renditions are"} out of date now.`;
}
