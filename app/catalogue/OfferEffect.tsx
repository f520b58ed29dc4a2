import { type RefObject, useEffect, useEffectEvent, useRef, useState } from "react";
import { type InferType, array, number, object, string } from "yup";

/** What an offer that is being typed would make of some products. */
const effectSchema = object({
  rows: array(
    object({
      id: string().required(),
      name: string().defined(),
      was: string().defined(),
      now: string().defined(),
      saving: string().defined(),
      percent: string().defined(),
      long: string().defined(),
      reason: string().defined().nullable(),
      finding: string().defined().nullable(),
    }),
  ).required(),
  count: number().required(),
});
type Effect = InferType<typeof effectSchema>;
const answer = object({ effect: effectSchema.defined().nullable() });

const TRY_AFTER_MS = 300;

/**
 * Asks the server what an offer comes to as it stands in its form, soon after each change. It asks beside the router: an
 * action of its would end, with what the page showed before, a navigation that is under way, as after “Save”.
 */
export function useOfferEffect(form: RefObject<HTMLFormElement | null>): {
  readonly effect: Effect | null;
  readonly tryOut: () => void;
} {
  const [effect, setEffect] = useState<Effect | null>(null);
  const timer = useRef<ReturnType<typeof setTimeout>>(undefined);
  const asking = useRef<AbortController>(undefined);
  async function ask(form: HTMLFormElement): Promise<void> {
    const typed = new FormData(form);
    // A name is asked for when it is saved.
    if (typed.get("name") === "") typed.set("name", "This offer");
    const { signal } = (asking.current = new AbortController());
    const response = await fetch("/catalogue/offers/tried", { method: "POST", body: typed, signal });
    const body: unknown = await response.json();
    if (answer.isValidSync(body) && !signal.aborted) setEffect(body.effect);
  }
  function stop(): void {
    clearTimeout(timer.current);
    asking.current?.abort();
  }
  const tryOut = (): void => {
    stop();
    timer.current = setTimeout(() => {
      // Where no answer comes, what it came to before stays until the next change asks again.
      if (form.current) ask(form.current).catch(() => undefined);
    }, TRY_AFTER_MS);
  };
  const tryFirst = useEffectEvent(tryOut);
  useEffect(() => {
    tryFirst();
    return stop;
  }, []);
  return { effect, tryOut };
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
