import { type Edit } from "./edit";
import { same, valueAt } from "./patch";

/** How edits of a kind of document are applied and taken back. */
export interface Rules<Document> {
  /** Throws, naming the place and the cure, when the result would not be such a document. */
  readonly apply: (document: Document, edit: Edit) => Document;
  /** The edit that takes one back, given the document that it is about to be applied to. */
  readonly inverse: (document: Document, edit: Edit) => Edit;
}

export interface Rebased<Document> {
  readonly document: Document;
  readonly kept: readonly Edit[];
  /** What does not fit any more, and why. */
  readonly dropped: readonly { readonly edit: Edit; readonly problem: string }[];
}

/** Puts edits on top of another version of the document they were made on. One that does not fit loses no other. */
export function rebase<Document>(
  { apply }: Pick<Rules<Document>, "apply">,
  document: Document,
  edits: readonly Edit[],
): Rebased<Document> {
  const kept: Edit[] = [];
  const dropped: { edit: Edit; problem: string }[] = [];
  const after = edits.reduce((before, edit) => {
    try {
      const next = apply(before, edit);
      kept.push(edit);
      return next;
    } catch (error) {
      dropped.push({ edit, problem: error instanceof Error ? error.message : String(error) });
      return before;
    }
  }, document);
  return { document: after, kept, dropped };
}

/** What somebody put in a place of the document, and what another person put there over it. Undefined is nothing. */
export interface Overwritten {
  readonly path: string;
  readonly mine: unknown;
  readonly theirs: unknown;
}

/** Which of the places that somebody wrote to hold something else in a later version. */
export const overwritten = (before: object, after: object, paths: Iterable<string>): Overwritten[] =>
  [...paths].flatMap((path) => {
    const [mine, theirs] = [valueAt(before, path), valueAt(after, path)];
    return same(mine, theirs) ? [] : [{ path, mine, theirs }];
  });

/** The edit that puts back what somebody had put in a place. */
export const takenBack = ({ path, mine }: Overwritten): Edit => ({
  label: "Take back",
  patch: [mine === undefined ? { op: "remove", path } : { op: "add", path, value: mine }],
});
