import { toast } from "sonner";
import { type Edit } from "../../core/document/edit";
import { takenBack } from "../../core/document/rebase";
import { type Merged } from "./editSession";

const STAYS_MS = 20_000;

/** How the places of a kind of document, and what stands there, are said to people. */
export interface InWords {
  readonly place: (path: string) => string;
  /** What this person had put in there. */
  readonly mine: (path: string) => string;
}

/**
 * Says what came of someone else's changes where this person has a part in it: what they put in and is something else now,
 * with a way to take it back, and what of theirs no longer fits.
 */
export function tellMerged<Document>(
  { by, overwritten, dropped }: Omit<Merged<Document>, "document" | "before">,
  { place, mine }: InWords,
  onEdit: (edit: Edit) => void,
): void {
  const who = by ?? "Someone else";
  for (const one of overwritten)
    toast(`${who} changed ${place(one.path)}. Yours was ${mine(one.path)}.`, {
      duration: STAYS_MS,
      action: { label: "Take mine back", onClick: () => onEdit(takenBack(one)) },
    });
  for (const { problem } of dropped)
    toast.error(`A change of yours does not fit what ${who} saved, and was taken back: ${problem}`, {
      duration: STAYS_MS,
    });
}

/** Says what of this person's changes could not be taken. */
export function tellRefused(problems: readonly string[]): void {
  for (const problem of problems) toast.error(`Not taken, and as it was before: ${problem}`, { duration: STAYS_MS });
}
