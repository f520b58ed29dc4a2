import { useMemo } from "react";
import { type Facts } from "../../core/document/facts";
import { mediaShown } from "../../core/document/named";
import { type Promotion } from "../../core/document/promotion";
import { factsById, useChosenMedia } from "../mediaChoice/useChosenMedia";

const NOTHING = {};

/**
 * Facts with what a document shows besides: one that was kept, or was looked at elsewhere, names media that the promotion
 * as it is now does not.
 */
export function useFactsFor(document: Promotion | null, facts: Facts): Facts {
  const ids = document ? mediaShown(document).filter((id) => !(id in facts.media)) : [];
  const { media } = useChosenMedia(ids, NOTHING);
  return useMemo(() => ({ ...facts, media: { ...factsById(media), ...facts.media } }), [facts, media]);
}
