/** What a page about people says after something was done. */
export interface PeopleAnswer {
  readonly done: string;
  readonly problem: string | null;
  readonly problems: Readonly<Record<string, string>>;
  /** A link to hand to somebody, which is shown this once. */
  readonly link: string | null;
}

export const peopleAnswer = (change: Partial<PeopleAnswer>): PeopleAnswer => ({
  done: "",
  problem: null,
  problems: {},
  link: null,
  ...change,
});
