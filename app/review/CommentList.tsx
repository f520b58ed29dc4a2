import { clsx } from "clsx";
import { Check } from "lucide-react";
import { type ReactNode, useState } from "react";
import { useFetcher } from "react-router";
import { Problem } from "../components/Problem";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { type ReviewAnswer } from "../../server/review/reviewForms";
import { FormatMark } from "../components/FormatMark";
import { inputClasses } from "../components/Field";
import { useOnceSaved } from "../components/useOnceSaved";
import { clock } from "./clock";
import { type Guest, GuestName } from "./GuestName";
import { type ShownComment } from "./reviewInWords";

/** What was said, with answers; members mark it as done. */
export function CommentList({
  comments,
  guest,
  current,
  onShow,
}: {
  comments: readonly ShownComment[];
  guest: Guest | null;
  current: FormatName | null;
  onShow: (comment: ShownComment) => void;
}) {
  const [showsDone, setShowsDone] = useState(false);
  const done = comments.filter(({ resolvedBy }) => resolvedBy !== null).length;
  const shown = showsDone ? comments : comments.filter(({ resolvedBy }) => resolvedBy === null);
  return (
    <>
      {comments.length === 0 && <p className="mb-3 text-sm text-soft">Nobody has said anything yet.</p>}
      <ul className="flex flex-col gap-4">
        {shown.map((comment) => (
          <CommentItem key={comment.id} comment={comment} guest={guest} current={current} onShow={onShow} />
        ))}
      </ul>
      {done > 0 && (
        <button type="button" className="mt-3 text-sm underline" onClick={() => setShowsDone(!showsDone)}>
          {showsDone ? "Hide what is done" : `Show ${done} done`}
        </button>
      )}
    </>
  );
}

function CommentItem({
  comment,
  guest,
  current,
  onShow,
}: {
  comment: ShownComment;
  guest: Guest | null;
  current: FormatName | null;
  onShow: (comment: ShownComment) => void;
}) {
  const [answers, setAnswers] = useState(false);
  const marking = useFetcher<ReviewAnswer>();
  const { id, format, atMs, resolvedBy } = comment;
  return (
    <li
      data-comment={id}
      className={clsx("border-l-[3px] pl-3", resolvedBy === null ? "border-accent" : "border-rule")}
    >
      {format !== null && (
        <button
          type="button"
          onClick={() => onShow(comment)}
          className={clsx(
            "mb-0.5 flex items-center gap-1.5 text-[13px] underline-offset-2 hover:underline",
            format === current ? "text-ink" : "text-soft",
          )}
          aria-label={`Show ${formatTitle(format)} at ${clock(atMs ?? 0)}`}
        >
          <FormatMark format={format} size={10} /> {formatTitle(format)}{" "}
          <span className="figures">{clock(atMs ?? 0)}</span>
        </button>
      )}
      <SaidBy said={comment}>
        {resolvedBy !== null && (
          <span className="flex items-center gap-1 text-ready">
            <Check aria-hidden size={13} /> done, {resolvedBy}
          </span>
        )}
      </SaidBy>
      {comment.answers.map((answer) => (
        <div key={answer.id} className="mt-2 border-l border-rule pl-3">
          <SaidBy said={answer} />
        </div>
      ))}
      <div className="mt-1 flex gap-4 text-[13px]">
        <button type="button" className="underline" aria-expanded={answers} onClick={() => setAnswers(!answers)}>
          Answer
        </button>
        {guest === null && (
          <marking.Form method="post" className="flex gap-4">
            <input type="hidden" name="comment" value={id} />
            <button
              type="submit"
              name="intent"
              value={resolvedBy === null ? "done" : "open-again"}
              className="underline"
            >
              {resolvedBy === null ? "Mark as done" : "Open again"}
            </button>
            <button type="submit" name="intent" value="remove-comment" className="text-wrong underline">
              Remove
            </button>
          </marking.Form>
        )}
      </div>
      {answers && <AnswerForm comment={id} guest={guest} onDone={() => setAnswers(false)} />}
    </li>
  );
}

/** Who said what, and when. */
function SaidBy({
  said,
  children,
}: {
  said: Pick<ShownComment, "words" | "by" | "isGuest" | "when">;
  children?: ReactNode;
}) {
  return (
    <>
      <p className="break-words whitespace-pre-line">{said.words}</p>
      <p className="mt-0.5 flex flex-wrap gap-x-3 text-[13px] text-soft">
        <span>
          {said.by}
          {said.isGuest && " (by link)"}, {said.when}
        </span>
        {children}
      </p>
    </>
  );
}

function AnswerForm({ comment, guest, onDone }: { comment: string; guest: Guest | null; onDone: () => void }) {
  const fetcher = useFetcher<ReviewAnswer>();
  const problems = fetcher.data?.problems ?? {};
  useOnceSaved(fetcher.state === "idle" && (fetcher.data?.taken ?? null) !== null, onDone);
  return (
    <fetcher.Form method="post" className="mt-2 flex flex-col gap-2">
      <input type="hidden" name="answers" value={comment} />
      <GuestName guest={guest} problem={problems["name"]} />
      <textarea name="words" rows={2} required aria-label="Your answer" className={inputClasses} autoFocus />
      <Problem text={problems["words"] ?? problems["form"]} />
      <button
        type="submit"
        name="intent"
        value="say"
        disabled={fetcher.state !== "idle"}
        className="self-start text-sm font-semibold underline"
      >
        Send the answer
      </button>
    </fetcher.Form>
  );
}
