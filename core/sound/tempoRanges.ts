/** How fast music goes, as people ask for it, in beats a minute: from, up to and without. */
export const TEMPO_RANGES = {
  slow: { from: 0, to: 90 },
  medium: { from: 90, to: 116 },
  quick: { from: 116, to: 1000 },
} as const;
export type TempoRange = keyof typeof TEMPO_RANGES;

/** How long a sound lasts, as people ask for it, in milliseconds: from, up to and without. */
export const SOUND_LENGTHS = {
  "under 5 s": { from: 0, to: 5000 },
  "5 to 30 s": { from: 5000, to: 30_000 },
  "over 30 s": { from: 30_000, to: Number.MAX_SAFE_INTEGER },
} as const;
export type SoundLength = keyof typeof SOUND_LENGTHS;
