import { object, string } from "yup";
import { DECISIONS } from "../../core/review/reviewState";
import { type TeamScope } from "../db/teamScope";
import { words } from "../doors/fields";
import { type ReadForm, readForm } from "../formProblems";
import { formText } from "../formText";
import { NO_ID, readIds } from "../ids";
import { type Commenter } from "./commenter";
import { addComment } from "./comments";
import { decide } from "./promotionReview";
import { decidedRender } from "./reviewed";

const decisionForm = object({
  decision: string().oneOf(DECISIONS, "Approve, or ask for changes.").required(),
  words: words(2000).when("decision", {
    is: "changes",
    then: (said) => said.required("Write what should change."),
  }),
});

/** What came of a form that a review takes; its problems by field. */
export interface ReviewAnswer {
  readonly problems: Readonly<Record<string, string>>;
  /** Named anew with each thing that was taken, so that its fields are emptied. */
  readonly taken: string | null;
}

export const refused = (problems: ReviewAnswer["problems"]): ReviewAnswer => ({ problems, taken: null });
const taken = (): ReviewAnswer => ({ problems: {}, taken: crypto.randomUUID() });

/**
 * Takes what a member and a guest may both say about a promotion: a comment, an answer, a decision. Throws a Refusal where
 * what it is about is gone.
 */
export async function takeReview(
  scope: TeamScope,
  about: { readonly id: string; readonly revision: number },
  by: Commenter,
  form: FormData,
): Promise<ReviewAnswer> {
  if (form.get("intent") === "decide") {
    const read: ReadForm<{ decision: (typeof DECISIONS)[number]; words: string }> = await readForm(decisionForm, form);
    if (!read.ok) return refused(read.problems);
    const render = await decidedRender(scope, about.id, readIds(formText(form, "render"))[0] ?? NO_ID);
    await decide(scope, { promotion: about.id, render, ...read.values, by });
    return taken();
  }
  const said = await addComment(scope, { promotion: about.id, revision: about.revision }, by, form);
  return said.ok ? taken() : refused(said.problems);
}
