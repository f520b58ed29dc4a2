import { type MediaFacts } from "./facts";
import { type RightsState } from "./rights";
import { type MediaNeeds, type MediaSlot, type PictureShape } from "./sceneTemplate";

/** What may go somewhere, and what it should be like. */
export interface MediaNeed extends MediaNeeds {
  readonly accepts: MediaSlot["accepts"];
}

/** What a slot asks for. */
export const needOf = ({ accepts, needs }: MediaSlot): MediaNeed => ({ accepts, ...needs });

/** What a place asks for that asks for nothing in particular. */
export const anyOf = (...accepts: MediaSlot["accepts"]): MediaNeed => ({
  accepts,
  shape: "any",
  leastPixels: 0,
  leastSeconds: 0,
});

/** What of its needs an item can miss, in the order it is said in. */
export const MISSES = ["rights", "pixels", "length", "shape"] as const;
export type Miss = (typeof MISSES)[number];

/** Width by height of what counts as of a shape, both ends included. */
export const SHAPE_RATIOS: Readonly<Record<PictureShape, { readonly least: number; readonly most: number }>> = {
  any: { least: 0, most: Infinity },
  tall: { least: 0, most: 0.8 },
  square: { least: 0.82, most: 1.22 },
  wide: { least: 1.25, most: Infinity },
};

/** How many seconds a clip lasts at its own speed. */
export const clipSeconds = ({ frames, rate }: Pick<MediaFacts & { kind: "clip" }, "frames" | "rate">): number =>
  (frames * rate.denominator) / rate.numerator;

/** What an item misses of what is asked for; nothing when it fits. Kinds that are not taken are not offered at all. */
export function missesOf(facts: MediaFacts, rights: RightsState, need: MediaNeed): Miss[] {
  if (facts.kind === "sound") return [];
  const ratio = facts.width / facts.height;
  const { least, most } = SHAPE_RATIOS[need.shape];
  const missed: Readonly<Record<Miss, boolean>> = {
    rights: rights !== "clear",
    pixels: Math.min(facts.width, facts.height) < need.leastPixels,
    length: facts.kind === "clip" && clipSeconds(facts) < need.leastSeconds,
    shape: ratio < least || ratio > most,
  };
  return MISSES.filter((miss) => missed[miss]);
}
