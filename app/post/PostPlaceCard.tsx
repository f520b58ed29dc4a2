import { clsx } from "clsx";
import { type ChangeEvent, useState } from "react";
import { Link, useFetcher } from "react-router";
import { TriangleAlert } from "lucide-react";
import { type PostPlace } from "../../server/channels/postDesk";
import { Button } from "../components/Button";
import { inputClasses } from "../components/Field";
import { FormatMark } from "../components/FormatMark";
import { megabytes } from "../components/mediaLook";
import { Notice } from "../components/Notice";
import { useLive } from "../components/useLive";
import { useMayEdit } from "../components/useMayEdit";
import { PostWordsFields } from "./PostWordsFields";
import { type PostAnswerShown } from "./postAnswer";

/** A place that a promotion can be posted to. */
export function PostPlaceCard({ slug, place, zone }: { slug: string; place: PostPlace; zone: string }) {
  const { channel, placement, file, words, isOwn, counts, problems } = place;
  const posting = useFetcher<PostAnswerShown>();
  const saying = useFetcher<PostAnswerShown>();
  const [at, setAt] = useState("");
  const [isOpen, setOpen] = useState(false);
  const mayEdit = useMayEdit();
  const isLive = useLive();
  const said = posting.data;
  const warnings = said?.warnings ?? null;
  const choose = ({ target }: ChangeEvent<HTMLInputElement>): void => setAt(target.value);
  const count = (what: string, is: number, most: number | null): string[] =>
    most === null && is === 0 ? [] : [`${what} ${is}${most === null ? "" : ` / ${most}`}`];
  return (
    <li className="py-4" aria-label={`${placement.title} on ${channel.title}`}>
      <div className="flex flex-wrap items-start gap-x-6 gap-y-3">
        <div className="min-w-56 flex-1">
          <h3 className="flex items-center gap-2 font-sans text-base font-semibold">
            <FormatMark format={placement.format} size={12} /> {placement.title}
            <span className="font-normal text-soft">{channel.title}</span>
          </h3>
          <p className="mt-0.5 text-sm text-soft">
            {file ? (
              <>
                {file.quality}, {file.seconds > 0 && `${file.seconds.toFixed(1)} s, `}
                {megabytes(file.bytes)}, revision {file.revision}
              </>
            ) : (
              <>
                Nothing is rendered for it yet.{" "}
                <Link to={`/promotions/${slug}/send`} className="text-ink underline underline-offset-2">
                  Render it
                </Link>
              </>
            )}
          </p>
          <p className={clsx("mt-0.5 text-[13px]", problems.length > 0 ? "text-wrong" : "text-soft")}>
            {[
              ...count("title", counts.title, placement.post.title),
              ...count("text", counts.body, placement.post.body),
              ...count("tags", counts.tags, placement.post.tags),
              ...(words.link === "" ? [] : ["with the link"]),
            ].join(" · ") || "no words"}
            {isOwn && " · its own words"}
          </p>
          {problems.map((problem) => (
            <p key={problem} className="mt-1 flex items-center gap-1.5 text-sm text-wrong">
              <TriangleAlert aria-hidden size={14} /> {problem}
            </p>
          ))}
          {mayEdit && (
            <button
              type="button"
              className="mt-1 text-sm underline underline-offset-2"
              aria-expanded={isOpen}
              onClick={() => setOpen(!isOpen)}
            >
              {isOpen ? "Close" : "Say it otherwise here"}
            </button>
          )}
        </div>
        {mayEdit && file && (
          <posting.Form method="post" className="flex flex-wrap items-end gap-3">
            <input type="hidden" name="intent" value="post" />
            <input type="hidden" name="channel" value={channel.id} />
            <input type="hidden" name="placement" value={placement.id} />
            <label className="text-[13px] text-soft">
              <span className="mb-0.5 block">When, in {zone}; empty for now</span>
              <input
                type="datetime-local"
                name="at"
                value={at}
                disabled={!isLive}
                onChange={choose}
                className={`${inputClasses} py-1.5`}
              />
            </label>
            {warnings === null ? (
              <Button type="submit" disabled={posting.state !== "idle" || problems.length > 0}>
                {at === "" ? "Post now" : "Plan it"}
              </Button>
            ) : (
              <Button type="submit" name="anyway" value="yes" disabled={posting.state !== "idle"}>
                {at === "" ? "Post it anyway" : "Plan it anyway"}
              </Button>
            )}
          </posting.Form>
        )}
      </div>
      {warnings !== null && (
        <Notice kind="warn" className="mt-3">
          {warnings.join(" ")}
        </Notice>
      )}
      {said?.problem && (
        <Notice kind="wrong" className="mt-3">
          {said.problem}
        </Notice>
      )}
      {said?.done && (
        <Notice kind="ready" className="mt-3">
          {said.done}
        </Notice>
      )}
      {isOpen && (
        <saying.Form
          method="post"
          aria-label={`Words for ${placement.title}`}
          className="mt-4 flex max-w-xl flex-col gap-4 border-l-[3px] border-rule pl-4"
        >
          <input type="hidden" name="placement" value={placement.id} />
          <input type="hidden" name="intent" value="words" />
          {saying.data?.done && <Notice kind="ready">{saying.data.done}</Notice>}
          <PostWordsFields key={String(isOwn)} words={words} problems={saying.data?.problems ?? {}} />
          <div className="flex gap-4">
            <Button type="submit" disabled={saying.state !== "idle"}>
              Keep these words here
            </Button>
            {isOwn && (
              <Button look="quiet" type="submit" name="same" value="true">
                Say the same as everywhere
              </Button>
            )}
          </div>
        </saying.Form>
      )}
    </li>
  );
}
