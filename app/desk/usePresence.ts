import { useEffect, useEffectEvent, useState } from "react";
import { v4 as newUuid } from "uuid";
import { useTeamEvents } from "../components/useTeamEvents";

/** Someone else who has the same promotion open. */
export interface Present {
  readonly page: string;
  readonly name: string;
  /** The slot they are in; empty where they are in none. */
  readonly at: string;
  /** When they were last heard of, in milliseconds of this page's clock. */
  readonly heard: number;
}

const SAY_EVERY_MS = 10_000;
/** Who has not been heard of for this long is gone, whether they said so or not. */
const GONE_AFTER_MS = 25_000;

/** Says where in a promotion this page is, and tells who else is there. @param at the slot this person is in, or empty */
export function usePresence(slug: string, at: string): readonly Present[] {
  const [page] = useState(() => newUuid());
  const [others, setOthers] = useState<readonly Present[]>([]);
  /** How many have come since: each does not know yet that this page is here. */
  const [newcomers, setNewcomers] = useState(0);
  const say = useEffectEvent((here: boolean): void => {
    const said = JSON.stringify({ page, at, here });
    // Still sent when the page is left.
    void fetch(`/promotions/${slug}/presence`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: said,
      keepalive: true,
    }).catch(() => undefined);
  });
  useEffect(() => say(true), [at, slug, newcomers]);
  useEffect(() => {
    const again = setInterval(() => {
      say(true);
      // The same list where nobody has gone: a new one would make the whole desk be rendered anew, while it plays too.
      setOthers((before) => {
        const there = before.filter(({ heard }) => performance.now() - heard < GONE_AFTER_MS);
        return there.length === before.length ? before : there;
      });
    }, SAY_EVERY_MS);
    const leave = (): void => say(false);
    addEventListener("pagehide", leave);
    return () => {
      clearInterval(again);
      removeEventListener("pagehide", leave);
      leave();
    };
  }, [slug]);
  useTeamEvents((event) => {
    if (event.topic !== "presence" || event.slug !== slug || event.page === page) return;
    const { page: other, name, at: place, here } = event;
    const isNew = !others.some((present) => present.page === other);
    setOthers((before) => [
      ...before.filter((present) => present.page !== other),
      ...(here ? [{ page: other, name, at: place, heard: performance.now() }] : []),
    ]);
    if (isNew && here) setNewcomers((count) => count + 1);
  });
  return others;
}
