import { type RefObject, useEffect, useEffectEvent, useRef } from "react";
import { useFetcher } from "react-router";
import type { OfferSheetRow } from "../../server/catalogue/offerSheet";

/** What an offer that is being typed would make of some products. */
interface Effect {
  readonly rows: readonly OfferSheetRow[];
  readonly count: number;
}

const TRY_AFTER_MS = 300;

/** Asks the server what an offer comes to as it stands in its form, soon after each change. */
export function useOfferEffect(form: RefObject<HTMLFormElement | null>): {
  readonly effect: Effect | null;
  readonly tryOut: () => void;
} {
  const fetcher = useFetcher<{ readonly tried?: Effect | null }>();
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const ask = (): void => {
    if (!form.current) return;
    const typed = new FormData(form.current);
    typed.set("intent", "try-offer");
    // A name is asked for when it is saved.
    if (typed.get("name") === "") typed.set("name", "This offer");
    // Nothing is changed by it: what the page shows besides need not be asked for again.
    void fetcher.submit(typed, { method: "post", defaultShouldRevalidate: false });
  };
  const tryOut = (): void => {
    clearTimeout(timer.current);
    timer.current = setTimeout(ask, TRY_AFTER_MS);
  };
  const tryFirst = useEffectEvent(tryOut);
  useEffect(() => {
    tryFirst();
    return () => clearTimeout(timer.current);
  }, []);
  return { effect: fetcher.data?.tried ?? null, tryOut };
}

/** What an offer comes to on the first products that it is for. */
export function OfferEffect({ effect }: { effect: Effect | null }) {
  if (!effect || effect.rows.length === 0) return null;
  const more = effect.count - effect.rows.length;
  return (
    <section aria-label="What it comes to" aria-live="polite" className="col-span-2 border-y border-rule py-2.5">
      <h3 className="mb-1 text-sm text-soft">What it comes to</h3>
      <ul className="flex flex-col gap-1 text-sm">
        {effect.rows.map(({ id, name, was, now, saving, percent, long, reason, finding }) => (
          <li key={id} className="flex flex-wrap items-baseline gap-x-2">
            <span className="min-w-0 flex-1 truncate">{name}</span>
            {reason === null && now !== "" ? (
              <>
                {was && !finding && <s className="figures text-soft">{was}</s>}
                <span className="figures font-semibold">{now}</span>
                {saving && !finding && (
                  <span className="figures text-soft">
                    {saving} off{percent && `, ${percent}`}
                  </span>
                )}
              </>
            ) : (
              <span className="text-soft">{reason ?? long}</span>
            )}
            {finding && <span className="basis-full text-warn">{finding}</span>}
          </li>
        ))}
        {more > 0 && <li className="text-soft">and {more} more</li>}
      </ul>
    </section>
  );
}
