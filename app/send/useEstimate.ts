import { useEffect, useState } from "react";
import { number, object } from "yup";

const schema = object({
  frames: number().required(),
  fresh: number().required(),
  seconds: number().required(),
  bytes: number().required(),
});
type Shown = ReturnType<typeof schema.validateSync>;

/** Whoever chooses goes on choosing: only what stands for a moment is asked for, in milliseconds. */
const AFTER_MS = 350;

/**
 * What a render would take as it is chosen; null until that is known. Asked for beside the router, which would let a page
 * wait for it. @param asked what is chosen, as an address writes it; null where nothing is
 * @param standing changes whenever something was rendered or changed: then it is asked for anew
 */
export function useEstimate(slug: string, asked: string | null, standing: string): Shown | null {
  const [known, setKnown] = useState<{ readonly of: string; readonly shown: Shown } | null>(null);
  useEffect(() => {
    if (asked === null) return undefined;
    const stop = new AbortController();
    const ask = async (): Promise<void> => {
      const answer = await fetch(`/promotions/${slug}/estimate?${asked}`, { signal: stop.signal });
      const said: unknown = await answer.json();
      if (schema.isValidSync(said)) setKnown({ of: asked, shown: said });
    };
    // What can't be estimated is not said; that it can't be rendered is, when it is asked for.
    const later = setTimeout(() => void ask().catch(() => undefined), AFTER_MS);
    return () => {
      clearTimeout(later);
      stop.abort();
    };
  }, [slug, asked, standing]);
  return known !== null && known.of === asked ? known.shown : null;
}
