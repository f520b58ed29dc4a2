import { useRef, useState } from "react";
import { type RenditionEvent } from "../../core/team/teamEvent";
import { useReload } from "./useReload";
import { useTeamEvents } from "./useTeamEvents";

/** What the page knows of a rendition. */
interface Known {
  readonly id: string;
  readonly state: string;
}
/** Whether a rendition is neither made nor given up. */
export const isUnderWay = (state: string): boolean => state === "waiting" || state === "working";

/**
 * Follows renditions while the page is open: how far each has come is told at once; the page's data is loaded anew when one
 * begins or ends only. @param concerns says which news are this page's
 * @returns how far those have come of which something was heard, 0…1, by id
 */
export function useRenditionNews(
  shown: readonly Known[],
  concerns: (event: RenditionEvent) => boolean = () => true,
): Readonly<Record<string, number>> {
  const reload = useReload();
  const [shares, setShares] = useState<Readonly<Record<string, number>>>({});
  /** The state told last of each: of a rendition that the page does not show nothing else is known. */
  const heard = useRef(new Map<string, string>());
  useTeamEvents(
    (event) => {
      if (event.topic !== "rendition" || !concerns(event)) return;
      const { id, state, progress } = event;
      setShares((all) => ({ ...all, [id]: progress }));
      const before = shown.find((rendition) => rendition.id === id)?.state ?? heard.current.get(id);
      heard.current.set(id, state);
      if (before !== state) reload();
    },
    () => {
      if (shown.some(({ state }) => isUnderWay(state))) reload();
    },
  );
  return shares;
}
