/** How loud the whole is made in the end, and what its peaks stay under. */
export interface Finish {
  /** LUFS; null where it is as loud as its pieces make it. */
  readonly loudness: number | null;
  /** dBTP. */
  readonly ceiling: number;
}

/** Peaks stay below this, in dBTP, where nobody said otherwise (common practice for online channels). */
export const USUAL_CEILING = -1;

/** As loud as the pieces make it. */
export const AS_MIXED: Finish = { loudness: null, ceiling: USUAL_CEILING };

/** The loudnesses that are asked for most, in LUFS. EBU R 128 asks broadcasters for −23. */
export const ASKED_FOR = [-14, -16, -23] as const;
