/** How long words must stay to be read: half a second to notice, then 16 characters a second (common practice). */
export const NOTICE_MS = 500;
export const CHARACTERS_PER_SECOND = 16;

/** Milliseconds that a text needs. Spaces count, since they are part of the measured rates; an empty text needs none. */
export function readingNeed(text: string): number {
  const characters = Array.from(text.trim()).length;
  return characters === 0 ? 0 : NOTICE_MS + (characters / CHARACTERS_PER_SECOND) * 1000;
}

export type ReadingVerdict = "fine" | "tight" | "short";

/** How comfortably words can be read in the time they stay: tight when under a tenth is to spare. */
export function readingVerdict(text: string, stays: number): ReadingVerdict {
  const need = readingNeed(text);
  if (need > stays) return "short";
  return need > stays * 0.9 ? "tight" : "fine";
}
