import { CircleCheck, Undo2 } from "lucide-react";
import { useState } from "react";
import { type FetcherWithComponents } from "react-router";
import { Problem } from "../components/Problem";
import { type ReviewState } from "../../core/review/reviewState";
import { type ReviewAnswer } from "../../server/review/reviewForms";
import { Button } from "../components/Button";
import { inputClasses } from "../components/Field";
import { Notice } from "../components/Notice";
import { type Guest, GuestName } from "./GuestName";

/** Approves what is seen, or asks for changes and says which. */
export function DecisionForm({
  render,
  guest,
  fetcher,
  state,
}: {
  /** The id of the render that is looked at: an approval is of it, and of nothing later. */
  render: string;
  guest: Guest | null;
  fetcher: FetcherWithComponents<ReviewAnswer>;
  state: ReviewState;
}) {
  const [asksForChanges, setAsksForChanges] = useState(false);
  const problems = fetcher.data?.problems ?? {};
  const taken = fetcher.data?.taken ?? null;
  const problem = problems["words"] ?? problems["decision"] ?? problems["form"];
  return (
    <fetcher.Form
      method="post"
      key={taken ?? "first"}
      aria-label="Decide"
      className="flex flex-col gap-3 border border-rule bg-paper p-4"
    >
      {state === "approved" && (
        <Notice kind="ready">
          This very version is approved. It stays so until something that is seen or heard changes.
        </Notice>
      )}
      <input type="hidden" name="intent" value="decide" />
      <input type="hidden" name="render" value={render} />
      <GuestName guest={guest} problem={problems["name"]} />
      {asksForChanges && (
        <label className="text-sm">
          What should change
          <textarea name="words" rows={3} maxLength={2000} className={`${inputClasses} mt-1`} autoFocus />
        </label>
      )}
      <Problem text={problem} />
      <div className="flex flex-wrap gap-3">
        {asksForChanges ? (
          <>
            <Button look="main" type="submit" name="decision" value="changes" disabled={fetcher.state !== "idle"}>
              Ask for these changes
            </Button>
            <Button look="quiet" onClick={() => setAsksForChanges(false)}>
              Not now
            </Button>
          </>
        ) : (
          <>
            <Button look="main" type="submit" name="decision" value="approved" disabled={fetcher.state !== "idle"}>
              <CircleCheck aria-hidden size={17} /> Approve
            </Button>
            <Button onClick={() => setAsksForChanges(true)}>
              <Undo2 aria-hidden size={16} /> Ask for changes
            </Button>
          </>
        )}
      </div>
    </fetcher.Form>
  );
}
