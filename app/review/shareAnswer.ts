import { type ReviewAnswer } from "../../server/review/reviewForms";

/** What came of making a link: where it leads, told this once. */
export interface ShareAnswer extends ReviewAnswer {
  readonly link: { readonly page: string; readonly embed: string } | null;
}
