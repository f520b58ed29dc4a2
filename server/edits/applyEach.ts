import { ValidationError } from "yup";
import { type Edit, readEdit } from "../../core/document/edit";
import { Refusal } from "../../core/refusal";

/** An edit that was not taken: which of those sent, and why. */
export interface RefusedEdit {
  readonly index: number;
  readonly problem: string;
}

/** What came of some edits that were sent. */
export interface EditResult<Document> {
  readonly revision: number;
  /** Null where the document is what it was at the base, with the edits on it. */
  readonly document: Document | null;
  readonly refused: readonly RefusedEdit[];
}

/** What somebody changed, and on what. */
export interface SentEdits {
  /** The revision that they were made on. */
  readonly base: number;
  /** As they came over the wire. */
  readonly edits: readonly unknown[];
}

export interface Applied<Document> {
  readonly document: Document;
  readonly taken: readonly Edit[];
  readonly refused: readonly RefusedEdit[];
}

/**
 * Puts edits on a document one by one, each checked for itself: one that can't be taken is named with its reason, and the
 * others are kept.
 *
 * @param apply throws in words where an edit can't be taken
 */
export async function applyEach<Document>(
  current: Document,
  edits: readonly unknown[],
  apply: (before: Document, edit: Edit) => Document | Promise<Document>,
): Promise<Applied<Document>> {
  const refused: RefusedEdit[] = [];
  const taken: Edit[] = [];
  let document = current;
  for (const [index, sent] of edits.entries())
    try {
      const edit = readEdit(sent);
      document = await apply(document, edit);
      taken.push(edit);
    } catch (error) {
      if (!isRefusal(error)) throw error;
      refused.push({ index, problem: error.message });
    }
  return { document, taken, refused };
}

/** Whether an error says what is wrong with what was sent, rather than with us. */
export const isRefusal = (error: unknown): error is Error =>
  error instanceof ValidationError || error instanceof Refusal;
