import { useEffect } from "react";
import { useReload } from "../components/useReload";
import { type LoadedDesk } from "./useDesk";

/** What the server gives the desks of a promotion. */
type DeskData = LoadedDesk & { readonly free: boolean };

/** What the server gave desks, for others to go on with. */
export interface DeskCarrier<Data> {
  /**
   * What the server gives a desk. A person who goes there from another desk of the same promotion sees at once what that one
   * had; the desk asks for what is newer once it stands (`useCarriedDesk`).
   *
   * @param desk names the desk among those that are given the same kind of data
   */
  readonly carriedOver: (slug: string, desk: string, ask: () => Promise<Data>) => Promise<Data>;
  /** Notes that a desk stands. Gives whether what it shows was handed to it, and the server may know better. */
  readonly standAt: (slug: string, desk: string, data: Data) => boolean;
  /** The desk is left: nobody who comes later, perhaps as somebody else, is shown what it had. */
  readonly leaveDesk: () => void;
}

export function openDeskCarrier<Data>(): DeskCarrier<Data> {
  /** What the desk of a promotion that stands now was given by the server, for another to go on with. */
  let standing: { readonly slug: string; readonly desk: string; readonly data: Data } | null = null;
  /** What was handed from desk to desk last. */
  let handed: Data | null = null;
  return {
    async carriedOver(slug, desk, ask) {
      if (standing?.slug !== slug || standing.desk === desk) return ask();
      handed = standing.data;
      return standing.data;
    },
    standAt(slug, desk, data) {
      const wasHanded = data === handed;
      handed = null;
      standing = { slug, desk, data };
      return wasHanded;
    },
    leaveDesk: () => void (standing = null),
  };
}

const carrier = openDeskCarrier<DeskData>();
export const { carriedOver } = carrier;

/** A desk that was handed something shows that first, before it asks the server. */
const ASK_AFTER_MS = 1500;

/** Lets the next desk go on with what this one was given; where that was handed here, asks the server for what is newer. */
export function useCarriedDesk(slug: string, desk: string, data: DeskData): void {
  const reload = useReload();
  useEffect(() => {
    if (!carrier.standAt(slug, desk, data)) return undefined;
    const timer = setTimeout(reload, ASK_AFTER_MS);
    return () => clearTimeout(timer);
  }, [slug, desk, data, reload]);
  useEffect(() => carrier.leaveDesk, []);
}
