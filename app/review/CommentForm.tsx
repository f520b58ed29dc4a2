import { X } from "lucide-react";
import { useState } from "react";
import { type FetcherWithComponents } from "react-router";
import { Problem } from "../components/Problem";
import { type FormatName, formatTitle } from "../../core/placement/formats";
import { type ReviewAnswer } from "../../server/review/reviewForms";
import { Button } from "../components/Button";
import { inputClasses } from "../components/Field";
import { useOnceSaved } from "../components/useOnceSaved";
import { clock } from "./clock";
import { type Guest, GuestName } from "./GuestName";
import { type Pin } from "./reviewInWords";

/** Says something about a moment, a place in it, or the whole. */
export function CommentForm({
  format,
  time,
  pin,
  onUnpin,
  guest,
  fetcher,
}: {
  format: FormatName | null;
  /** What is shown now, in milliseconds. */
  time: number;
  pin: Pin | null;
  onUnpin: () => void;
  guest: Guest | null;
  fetcher: FetcherWithComponents<ReviewAnswer>;
}) {
  const [isOfWhole, setOfWhole] = useState(false);
  const problems = fetcher.data?.problems ?? {};
  const taken = fetcher.data?.taken ?? null;
  useOnceSaved(fetcher.state === "idle" && taken !== null, onUnpin);
  const isOfMoment = format !== null && !isOfWhole;
  return (
    <fetcher.Form method="post" key={taken ?? "first"} className="mt-5 flex flex-col gap-3" aria-label="Say something">
      <GuestName guest={guest} problem={problems["name"]} />
      <div>
        <label className="text-sm">
          Your comment
          <textarea name="words" rows={3} required maxLength={2000} className={`${inputClasses} mt-1`} />
        </label>
        <Problem text={problems["words"] ?? problems["form"]} />
      </div>
      {isOfMoment && (
        <>
          <input type="hidden" name="format" value={format} />
          <input type="hidden" name="at" value={time} />
          {pin && <input type="hidden" name="x" value={pin.x} />}
          {pin && <input type="hidden" name="y" value={pin.y} />}
        </>
      )}
      {format !== null && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 text-sm text-soft">
          <label className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={!isOfWhole}
              onChange={() => setOfWhole(!isOfWhole)}
              className="h-4 w-4 accent-accent"
            />
            about {formatTitle(format)} at <span className="figures">{clock(time)}</span>
          </label>
          {isOfMoment && pin && (
            <button type="button" onClick={onUnpin} className="flex items-center gap-1 underline">
              with a pin <X aria-hidden size={13} /> <span className="sr-only">take the pin away</span>
            </button>
          )}
        </div>
      )}
      <Button type="submit" name="intent" value="say" disabled={fetcher.state !== "idle"} className="self-start">
        Send the comment
      </Button>
    </fetcher.Form>
  );
}
