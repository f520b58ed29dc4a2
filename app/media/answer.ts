/** What the media page's actions answer. */
export interface MediaAnswer {
  readonly done: string;
  readonly problem: string | null;
  readonly problems: Readonly<Record<string, string>>;
  /** Items that were removed just now and can be brought back. */
  readonly removed: readonly string[];
}

export const answer = (change: Partial<MediaAnswer>): MediaAnswer => ({
  done: "",
  problem: null,
  problems: {},
  removed: [],
  ...change,
});
