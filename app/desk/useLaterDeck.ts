import isEqual from "fast-deep-equal/es6/index.js";
import { startTransition, useDeferredValue, useEffect, useState } from "react";
import { type DeckProps } from "./deckProps";

/** What changes nothing in a scene reaches it when nobody has changed anything for so many milliseconds. */
const QUIET_MS = 300;

/**
 * What the scenes that nobody writes in are drawn from. What changes them reaches them when there is time; what is typed
 * elsewhere only when the keys rest, so that neither the next key nor the proofs wait for them.
 *
 * @param inHand the scene that somebody is in, by its id: it is drawn from the newest, and what is done in it starts there
 */
export function useLaterDeck(deck: DeckProps, inHand: string | null): DeckProps {
  const deferred = useDeferredValue(deck);
  const [later, setLater] = useState(deferred);
  if (later !== deferred && differs(later, deferred, inHand)) setLater(deferred);
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setLater(deferred)), QUIET_MS);
    return () => clearTimeout(timer);
  }, [deferred]);
  // Where scenes come and go, no row shows one that is not there.
  return isOfSameScenes(later, deck) ? later : deck;
}

/** Whether both show the same scenes in the same order. */
function isOfSameScenes(one: DeckProps, other: DeckProps): boolean {
  const [ids, others] = [one, other].map(({ promotion }) => promotion.scenes.map(({ id }) => id).join(" "));
  return ids === others;
}

/** Whether other scenes than one show something else, besides what lies over them, or something else is in hand. */
function differs(one: DeckProps, other: DeckProps, inHand: string | null): boolean {
  const isInHand = (index: number): boolean => one.promotion.scenes[index]?.id === inHand;
  return (
    !isOfSameScenes(one, other) ||
    one.marked !== other.marked ||
    one.several !== other.several ||
    one.present !== other.present ||
    one.free !== other.free ||
    one.choices !== other.choices ||
    one.promotion.facts !== other.promotion.facts ||
    !isEqual(one.promotion.spans, other.promotion.spans) ||
    !one.promotion.scenes.every((scene, index) => isInHand(index) || isEqual(scene, other.promotion.scenes[index]))
  );
}
