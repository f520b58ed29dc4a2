/** Emoji ship as square pictures: pixels of the largest, and how many sizes, each half the one before. */
export const EMOJI_SIDE = 512;
export const EMOJI_LEVELS = 8;
