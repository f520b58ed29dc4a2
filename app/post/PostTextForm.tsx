import { useState } from "react";
import { useFetcher } from "react-router";
import { type PostWords } from "../../core/post/postWords";
import { Button } from "../components/Button";
import { Notice } from "../components/Notice";
import { PostWordsFields } from "./PostWordsFields";
import { type PostAnswerShown } from "./postAnswer";

/** What the posts of a promotion say, everywhere. */
export function PostTextForm({
  words,
  suggested,
  qr,
}: {
  words: PostWords;
  /** Put together from what the promotion is about. */
  suggested: PostWords;
  /** The link as a QR code, as SVG. */
  qr: string | null;
}) {
  const fetcher = useFetcher<PostAnswerShown>();
  const [shown, setShown] = useState({ words, key: 0 });
  const suggest = (): void => setShown((before) => ({ words: suggested, key: before.key + 1 }));
  const said = fetcher.data;
  return (
    <fetcher.Form method="post" aria-label="Words of the posts" className="flex flex-col gap-4">
      <div className="flex items-baseline justify-between gap-3">
        <h2>What the posts say</h2>
        <button type="button" onClick={suggest} className="text-sm underline underline-offset-2">
          Suggest words
        </button>
      </div>
      <p className="text-sm text-soft">
        The same everywhere, as far as a place takes it. A place can say it otherwise.
      </p>
      {said?.done && <Notice kind="ready">{said.done}</Notice>}
      {said?.problem && <Notice kind="wrong">{said.problem}</Notice>}
      <PostWordsFields key={shown.key} words={shown.words} problems={said?.problems ?? {}} />
      <Button type="submit" name="intent" value="words" disabled={fetcher.state !== "idle"} className="self-start">
        Keep the words
      </Button>
      {qr !== null && (
        <div className="flex items-center gap-4 border-t border-rule pt-4">
          <img
            src={`data:image/svg+xml;utf8,${encodeURIComponent(qr)}`}
            alt={`QR code of ${words.link}`}
            className="h-28 w-28 bg-white"
          />
          <p className="text-sm text-soft">
            The link as a code.{" "}
            <a
              href={`data:image/svg+xml;utf8,${encodeURIComponent(qr)}`}
              download="link.svg"
              className="text-ink underline underline-offset-2"
            >
              Download as SVG
            </a>
          </p>
        </div>
      )}
    </fetcher.Form>
  );
}
