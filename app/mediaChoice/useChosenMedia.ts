import { type Facts } from "../../core/document/facts";
// Erased at run time: a page takes nothing from the server but what its loaders give.
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { useLearnt } from "../components/useLearnt";
import { isOffered } from "./isOffered";

export type ChosenMedia = Readonly<Record<string, OfferedMedia>>;

/** What frames depend on of media, by their ids. */
export const factsById = (media: ChosenMedia): Facts["media"] =>
  Object.fromEntries(Object.values(media).map(({ facts }) => [facts.id, facts]));

const SOURCE = { address: "/media/chosen", isAnswer: isOffered, learnt: new Map<string, OfferedMedia>() };

/** What is known of the media that a page shows, as `useLearnt` says. */
export function useChosenMedia(
  ids: readonly string[],
  loaded: ChosenMedia,
): { readonly media: ChosenMedia; readonly learn: (item: OfferedMedia) => void } {
  const { known, learn } = useLearnt(ids, loaded, SOURCE);
  return { media: known, learn: (item) => learn(item.facts.id, item) };
}
