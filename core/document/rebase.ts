import { type Edit, applyEdit } from "./edits";
import { type Fill, type Promotion } from "./promotion";
import { type SlotKey } from "./template";

export interface Rebased {
  readonly document: Promotion;
  readonly kept: readonly Edit[];
  /** What does not fit any more, and why. */
  readonly dropped: readonly { readonly edit: Edit; readonly problem: string }[];
}

/** Puts edits on top of another version of the document they were made on. One that does not fit loses no other. */
export function rebase(document: Promotion, edits: readonly Edit[]): Rebased {
  const kept: Edit[] = [];
  const dropped: { edit: Edit; problem: string }[] = [];
  const after = edits.reduce((before, edit) => {
    try {
      const next = applyEdit(before, edit);
      kept.push(edit);
      return next;
    } catch (error) {
      dropped.push({ edit, problem: error instanceof Error ? error.message : String(error) });
      return before;
    }
  }, document);
  return { document: after, kept, dropped };
}

/** What somebody put in a slot, and what another person put there over it. */
export interface Overwritten {
  readonly slot: SlotKey;
  readonly mine: Fill | null;
  readonly theirs: Fill | null;
}

/** Which of the slots that somebody filled hold something else in a later version. */
export function overwritten(before: Promotion, after: Promotion, filled: Iterable<SlotKey>): Overwritten[] {
  return [...filled].flatMap((slot) => {
    const [mine, theirs] = [before.fills[slot] ?? null, after.fills[slot] ?? null];
    return JSON.stringify(mine) === JSON.stringify(theirs) ? [] : [{ slot, mine, theirs }];
  });
}
