/** What came of something that was asked for on the desk for posting. */
export interface PostAnswerShown {
  readonly done: string | null;
  readonly problem: string | null;
  /** By field of the words. */
  readonly problems: Readonly<Record<string, string>>;
  /** What there is to say against posting it; null where nothing was asked. */
  readonly warnings: readonly string[] | null;
}
export const postAnswer = (change: Partial<PostAnswerShown> = {}): PostAnswerShown => ({
  ...{ done: null, problem: null, problems: {}, warnings: null },
  ...change,
});
