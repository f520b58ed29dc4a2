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
