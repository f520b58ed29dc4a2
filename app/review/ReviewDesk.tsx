import { useEffect, useRef, useState } from "react";
import { useFetcher } from "react-router";
import { type FormatName } from "../../core/placement/formats";
import { type ReviewAnswer } from "../../server/review/reviewForms";
import { Notice } from "../components/Notice";
import { CommentForm } from "./CommentForm";
import { CommentList } from "./CommentList";
import { DecisionForm } from "./DecisionForm";
import { type Guest } from "./GuestName";
import { ReviewPlayer } from "./ReviewPlayer";
import { type Pin, type ShownComment, type ShownReview } from "./reviewInWords";
import { VerdictList } from "./VerdictList";

/** How far from where a comment is pinned it is shown over the picture, in milliseconds. */
const PIN_SHOWN_MS = 700;

/** A promotion to look at, to say something about, and to decide on. For members and for those with a link alike. */
export function ReviewDesk({
  reviewed,
  fileAt,
  posterAt,
  guest = null,
  children,
}: {
  reviewed: ShownReview;
  fileAt: (rendition: string) => string;
  posterAt: (format: FormatName) => string;
  /** What somebody without an account calls themselves; null for a member. */
  guest?: string | null;
  children?: React.ReactNode;
}) {
  const { render, comments, verdicts, standing, state } = reviewed;
  // Written once, wherever it is asked for.
  const [name, setName] = useState(guest ?? "");
  const by: Guest | null = guest === null ? null : { name, onName: setName };
  const formats = render?.files.map(({ format }) => format) ?? [];
  const [chosen, setChosen] = useState<FormatName | null>(null);
  const [time, setTime] = useState(0);
  const [pin, setPin] = useState<Pin | null>(null);
  const video = useRef<HTMLVideoElement>(null);
  const saying = useFetcher<ReviewAnswer>();
  const deciding = useFetcher<ReviewAnswer>();
  const format = chosen !== null && formats.includes(chosen) ? chosen : (formats[0] ?? null);
  const wanted = useRef<number | null>(null);
  const toTime = (ms: number): void => {
    const player = video.current;
    if (!player) return;
    player.pause();
    player.currentTime = ms / 1000;
    setTime(ms);
  };
  // The player of another format is another one: it goes where it was asked to once it is there.
  useEffect(() => {
    if (wanted.current !== null) toTime(wanted.current);
    wanted.current = null;
  }, [format]);
  const show = ({ format: of, atMs }: ShownComment): void => {
    if (of !== null && of !== format) {
      wanted.current = atMs;
      setChosen(of);
    } else if (atMs !== null) toTime(atMs);
  };
  const choose = (of: FormatName): void => {
    setChosen(of);
    setPin(null);
  };
  const pinned = comments.filter(
    (comment) =>
      comment.format === format && comment.place !== null && Math.abs((comment.atMs ?? 0) - time) <= PIN_SHOWN_MS,
  );
  return (
    <main className="grid flex-1 grid-cols-[minmax(0,1fr)_minmax(340px,400px)] max-lg:grid-cols-1">
      <section aria-label="The promotion" className={`min-w-0 ${render ? "bg-proof" : "bg-ink"}`}>
        {render && format ? (
          <ReviewPlayer
            files={render.files}
            format={format}
            fileAt={fileAt}
            poster={posterAt(format)}
            video={video}
            pinned={pinned}
            pin={pin}
            onChoose={choose}
            onTime={setTime}
            onPin={setPin}
          />
        ) : (
          <p className="mx-auto max-w-sm px-10 py-24 text-center text-white">
            {reviewed.isComing
              ? "It is being rendered. Load this page again in a moment."
              : "Nothing is rendered of it yet."}
          </p>
        )}
      </section>
      <aside className="flex min-w-0 flex-col gap-6 border-l border-rule bg-card px-6 py-5 max-sm:px-4">
        <div>
          {guest !== null && <h1 className="text-[22px]">{reviewed.name}</h1>}
          <p className="mt-1 text-sm text-soft">
            {standing}
            {render && ` · rendered ${render.when}`}
            {render && render.revision !== reviewed.revision && ", and worked on since"}
          </p>
          {state === "lapsed" && (
            <Notice kind="warn" className="mt-2">
              What is seen or heard has changed since it was approved. Render it, and ask again.
            </Notice>
          )}
        </div>
        {children}
        {render && <DecisionForm render={render.id} guest={by} fetcher={deciding} state={state} />}
        <section aria-label="Comments">
          <h2 className="mb-2">Comments</h2>
          <CommentList comments={comments} guest={by} current={format} onShow={show} />
          <CommentForm format={format} time={time} pin={pin} onUnpin={() => setPin(null)} guest={by} fetcher={saying} />
        </section>
        <VerdictList verdicts={verdicts} />
      </aside>
    </main>
  );
}
