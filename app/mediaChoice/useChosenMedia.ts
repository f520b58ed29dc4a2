import { useEffect, useMemo, useState } from "react";
import { type Facts } from "../../core/document/facts";
import { useFetcher } from "react-router";
// Erased at run time: a page takes nothing from the server but what its loaders give.
import type { OfferedMedia } from "../../server/media/offeredMedia";
import type { loader } from "../routes/mediaChosen";

export type ChosenMedia = Readonly<Record<string, OfferedMedia>>;

/** What frames depend on of media, by their ids. */
export const factsById = (media: ChosenMedia): Facts["media"] =>
  Object.fromEntries(Object.values(media).map(({ facts }) => [facts.id, facts]));

/** What was learnt of items since the page was opened, whichever desk learnt it. */
const learnt = new Map<string, OfferedMedia>();

/**
 * What is known of the media that a page shows: what its loader gave, what it was told when something was chosen, and, of
 * what came from elsewhere (another person, an undone step, another desk), what the server says.
 * @param ids of all that is shown
 */
export function useChosenMedia(
  ids: readonly string[],
  loaded: ChosenMedia,
): { readonly media: ChosenMedia; readonly learn: (item: OfferedMedia) => void } {
  // Each answer gives only what was asked for last: what came before is among what was learnt.
  const { load, data } = useFetcher<typeof loader>();
  const [told, setTold] = useState<ChosenMedia>(() => Object.fromEntries(learnt));
  const media = useMemo(() => ({ ...Object.fromEntries(learnt), ...told, ...data, ...loaded }), [told, data, loaded]);
  const asked = [...new Set(ids.filter((id) => !(id in media)))].sort().join("&id=");
  useEffect(() => {
    if (asked !== "") void load(`/media/chosen?id=${asked}`);
  }, [asked, load]);
  useEffect(() => {
    for (const [id, item] of Object.entries(data ?? {})) learnt.set(id, item);
  }, [data]);
  function learn(item: OfferedMedia): void {
    learnt.set(item.facts.id, item);
    setTold(Object.fromEntries(learnt));
  }
  return { media, learn };
}
