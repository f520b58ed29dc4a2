/** A loudness as people read it. */
export const lufsInWords = (lufs: number | null): string => levelInWords(lufs, "LUFS");

/** A level with its unit; nothing but silence has none. */
export const levelInWords = (level: number | null, unit: string): string =>
  level === null ? "silent" : `${level.toFixed(1).replace("-", "−")} ${unit}`;
