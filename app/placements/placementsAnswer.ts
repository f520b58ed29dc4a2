/** What came of a change of placements. */
export interface PlacementsAnswer {
  /** The id of the placement that was changed. */
  readonly saved: string | null;
  readonly done: string | null;
  readonly problem: string | null;
}
export const placementsAnswer = (change: Partial<PlacementsAnswer>): PlacementsAnswer => ({
  ...{ saved: null, done: null, problem: null },
  ...change,
});
