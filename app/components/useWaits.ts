import { useEffect, useState } from "react";
import { object } from "yup";

const ASKED_EVERY_MS = 5000;
const NOTHING: Readonly<Record<string, string>> = {};

/**
 * What items wait behind, and about how long, in words, by their ids; asked for again and again while anything waits.
 *
 * @param isWaiting whether anything on the page waits
 */
export function useWaits(isWaiting: boolean): Readonly<Record<string, string>> {
  const [waits, setWaits] = useState(NOTHING);
  useEffect(() => {
    if (!isWaiting) return;
    const ended = new AbortController();
    const ask = async (): Promise<void> => {
      const response = await fetch("/waits", { signal: ended.signal });
      const answer: unknown = response.ok ? await response.json() : null;
      if (object().isValidSync(answer)) setWaits(textsOf(answer));
    };
    // Where no answer comes, the next one tells.
    const tell = (): void => void ask().catch(() => undefined);
    tell();
    const timer = setInterval(tell, ASKED_EVERY_MS);
    return () => {
      ended.abort();
      clearInterval(timer);
    };
  }, [isWaiting]);
  return waits;
}

const textsOf = (answer: object): Record<string, string> =>
  Object.fromEntries(Object.entries(answer).filter((entry): entry is [string, string] => typeof entry[1] === "string"));
