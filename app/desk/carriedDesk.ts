import { useEffect } from "react";
import { useReload } from "../components/useReload";

/** What the desk of a promotion that stands now was given by the server, for another to go on with. */
let standing: { readonly slug: string; readonly desk: string; readonly data: unknown } | null = null;
/** What was handed from desk to desk last. */
let handed: unknown = null;

/**
 * What the server gives a desk. A person who goes there from another desk of the same promotion sees at once what that one
 * had; the desk asks for what is newer once it stands (`useCarriedDesk`).
 *
 * @param desk names the desk among those that are given the same kind of data
 */
export async function carriedOver<Data>(slug: string, desk: string, ask: () => Promise<Data>): Promise<Data> {
  if (standing?.slug !== slug || standing.desk === desk) return ask();
  handed = standing.data;
  // By its slug and the desks' agreement it is data of this kind.
  return standing.data as Data;
}

/** Notes that a desk stands. Gives whether what it shows was handed to it, and the server may know better. */
export function standAt(slug: string, desk: string, data: unknown): boolean {
  const wasHanded = data === handed;
  handed = null;
  standing = { slug, desk, data };
  return wasHanded;
}

/** The desk is left: nobody who comes later, perhaps as somebody else, is shown what it had. */
export function leaveDesk(): void {
  standing = null;
}

/** A desk that was handed something shows that first, before it asks the server. */
const ASK_AFTER_MS = 1500;

/** Lets the next desk go on with what this one was given; where that was handed here, asks the server for what is newer. */
export function useCarriedDesk(slug: string, desk: string, data: unknown): void {
  const reload = useReload();
  useEffect(() => {
    if (!standAt(slug, desk, data)) return undefined;
    const timer = setTimeout(reload, ASK_AFTER_MS);
    return () => clearTimeout(timer);
  }, [slug, desk, data, reload]);
  useEffect(() => leaveDesk, []);
}
