import { REVIEW_STATES } from "../../core/review/reviewState";
import { type Reviewed } from "../../server/review/reviewed";

/** A review as pages show it: its times written as the team writes them. @param write writes a moment */
export function reviewInWords({ comments, verdicts, render, ...reviewed }: Reviewed, write: Intl.DateTimeFormat) {
  const written = <Thing extends { readonly at: Date }>({ at, ...thing }: Thing) => ({
    ...thing,
    when: write.format(at),
  });
  return {
    ...reviewed,
    standing: REVIEW_STATES[reviewed.state],
    render: render && { ...render, createdAt: undefined, when: write.format(render.createdAt) },
    comments: comments.map(({ answers, ...comment }) => ({ ...written(comment), answers: answers.map(written) })),
    verdicts: verdicts.map(written),
  };
}
export type ShownReview = ReturnType<typeof reviewInWords>;
export type ShownComment = ShownReview["comments"][number];

/** A place in a frame, in shares of its width and height. */
export interface Pin {
  readonly x: number;
  readonly y: number;
}
