import { useState } from "react";
import { Link, useNavigate, useRevalidator } from "react-router";
import { toast } from "sonner";
import { object, string } from "yup";
import { type Promotion } from "../../core/document/promotion";
import { type OutOfReach } from "../../core/pace/lengthEdits";
import { type PacedScene } from "../../core/pace/pacedScenes";
import { shorterVersion } from "../../core/pace/shorter";
import type { LinkedVersions } from "../../server/promotions/shorterVersions";
import { OutOfReachNote } from "./OutOfReachNote";
import { TimeField } from "./TimeField";

const answer = object({ slug: string(), name: string(), problem: string() });
/** What people post shorter ones as, in milliseconds. */
const USUAL = [30_000, 15_000, 10_000, 6000];

/** Shorter versions of a promotion: those that there are, one more, and what a shorter one is linked to. */
export function ShorterVersions({
  slug,
  document,
  revision,
  linked,
  length,
  pace,
}: {
  slug: string;
  document: Promotion;
  /** That is saved; null while something still has to be. */
  revision: number | null;
  linked: LinkedVersions;
  /** Of the promotion, in milliseconds. */
  length: number;
  /** The scenes of a document, with how long each must be. */
  pace: (document: Promotion) => readonly PacedScene[];
}) {
  const { longer, shorter } = linked;
  return (
    <section aria-label="Shorter versions" className="flex flex-col gap-2 text-[13px]">
      <h3 className="text-[15px] font-semibold">Shorter versions</h3>
      {longer && <LongerNote slug={slug} longer={longer} />}
      {shorter.length > 0 && (
        <ul className="flex flex-col gap-1">
          {shorter.map((one) => (
            <li key={one.slug} className="flex items-baseline gap-2">
              <Link to={`/promotions/${one.slug}/pace`} className="min-w-0 truncate underline hover:text-accent">
                {one.name}
              </Link>
              {one.held !== null && <span className="ml-auto figures text-soft">{one.held / 1000} s</span>}
            </li>
          ))}
        </ul>
      )}
      <MakeShorter key={length} slug={slug} document={document} revision={revision} length={length} pace={pace} />
    </section>
  );
}

function MakeShorter({
  slug,
  document,
  revision,
  length,
  pace,
}: {
  slug: string;
  document: Promotion;
  revision: number | null;
  length: number;
  pace: (document: Promotion) => readonly PacedScene[];
}) {
  const [target, setTarget] = useState(() => USUAL.find((one) => one < length) ?? Math.round(length / 2));
  const [refused, setRefused] = useState<OutOfReach | null>(null);
  const [isBusy, setBusy] = useState(false);
  const go = useNavigate();
  const tried = shorterVersion(document, { target, pace });
  function aim(ms: number): void {
    setRefused(null);
    setTarget(Math.min(Math.max(1000, ms), length));
  }
  async function make(): Promise<void> {
    if (!("document" in tried)) {
      setRefused(tried.outOfReach);
      return;
    }
    setBusy(true);
    const { slug: made, problem } = await asked(slug, {
      intent: "make",
      seconds: target / 1000,
      document: tried.document,
      revision,
    });
    setBusy(false);
    if (made !== undefined) void go(`/promotions/${made}/pace`);
    else toast.error(problem ?? "The shorter version was not made. Try again.");
  }
  return (
    <>
      <div className="grid grid-cols-2 items-end gap-3">
        <TimeField label="Make one of" value={target} onTime={aim} />
        <button
          type="button"
          disabled={isBusy || revision === null || target >= length}
          onClick={() => void make()}
          className="bg-[#e9e1d0] px-3 py-2 text-[13.5px] font-semibold cut hover:bg-rule disabled:text-firm"
        >
          Make it
        </button>
      </div>
      <p className="leading-snug text-soft">{howInWords(tried)}</p>
      {refused && <OutOfReachNote wanted={target} reach={refused} onHold={aim} />}
    </>
  );
}

/** How a shorter version would be made. */
function howInWords(tried: ReturnType<typeof shorterVersion>): string {
  if (!("document" in tried) || tried.leftOut.length === 0)
    return "Its scenes share the time. Say of a scene that it may be left out, and it is where that helps.";
  const left = tried.leftOut.length === 1 ? "one scene" : `${tried.leftOut.length} scenes`;
  return `Without ${left} that may be left out; the rest share the time.`;
}

/** What a shorter version is linked to, and whether that has changed. */
function LongerNote({ slug, longer }: { slug: string; longer: NonNullable<LinkedVersions["longer"]> }) {
  const { revalidate } = useRevalidator();
  async function take(): Promise<void> {
    const { problem } = await asked(slug, { intent: "take over" });
    if (problem !== undefined) toast.error(problem);
    else toast.success("What was changed there is here too. Your own changes stayed.");
    await revalidate();
  }
  return (
    <p className="border-l-2 border-accent pl-2 leading-snug">
      This is a shorter version of{" "}
      <Link to={`/promotions/${longer.slug}/pace`} className="underline hover:text-accent">
        {longer.name}
      </Link>
      {longer.isNewer && (
        <>
          , which was changed since.{" "}
          <button type="button" onClick={() => void take()} className="font-semibold underline hover:text-accent">
            Take the changes over
          </button>
        </>
      )}
      .
    </p>
  );
}

async function asked(
  slug: string,
  body: object,
): Promise<{ readonly slug?: string | undefined; readonly problem?: string | undefined }> {
  try {
    const response = await fetch(`/promotions/${slug}/shorter`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    return answer.validateSync(
      await response.json().catch(() => ({ problem: "You may only look at this promotion." })),
    );
  } catch {
    return { problem: "There is no connection to the server. Try again." };
  }
}
