import { useEffect } from "react";
import { Link, isRouteErrorResponse, useRouteError } from "react-router";

/** After so long a page that could not be shown for a reason that passes is asked for again. */
const AGAIN_AFTER_MS = 5000;

/** What a page shows when it can't be shown: what happened, and a way on. */
export function ProblemPage() {
  const error = useRouteError();
  const known = isRouteErrorResponse(error);
  const isPassing = known && error.status === 503;
  useEffect(() => {
    if (!isPassing) return undefined;
    const again = setTimeout(() => location.reload(), AGAIN_AFTER_MS);
    return () => clearTimeout(again);
  }, [isPassing]);
  const title =
    known && error.status === 404
      ? "Not here"
      : known && error.status === 403
        ? "Not yours to change"
        : isPassing
          ? "One moment"
          : "Something went wrong";
  const text =
    known && typeof error.data === "string" && error.data !== ""
      ? error.data
      : "The page could not be shown. Nothing you saved is lost. Try again, or go back to the bench.";
  return (
    <main className="mx-auto max-w-xl p-10">
      <title>{`${title} · Stencilcraft`}</title>
      <h1>{title}</h1>
      <p className="mt-3 text-soft">{text}</p>
      <Link to="/" className="mt-6 inline-block bg-accent px-4 py-2 font-semibold text-card cut">
        Back to the bench
      </Link>
    </main>
  );
}
