import { usualClipLevel } from "../sound/mix";
import { levelOfAllClips } from "./clipLevelEdits";
import { type Promotion } from "./promotion";
import { type ResolvedPromotion } from "./resolve";

/** How loud the clips of a promotion are: 1 is as loud as they are themselves. */
export interface ClipsHeard {
  /** Of those that nobody gave a level of their own, and what that would be if nobody had said so. */
  readonly level: number;
  readonly usual: number;
  /** Whether somebody said so for all of them. */
  readonly isSet: boolean;
}

/** How loud the clips of a promotion are; null where none has a sound. */
export function clipsHeard(document: Promotion, { scenes, facts }: ResolvedPromotion): ClipsHeard | null {
  const hasClips = scenes.some(({ shots }) =>
    Object.values(shots)
      .flat()
      .some(({ media }) => media.kind === "clip" && media.hasSound),
  );
  if (!hasClips) return null;
  const usual = usualClipLevel(document.lanes, facts.media);
  const ofAll = levelOfAllClips(document);
  return { level: ofAll ?? usual, usual, isSet: ofAll !== undefined };
}
