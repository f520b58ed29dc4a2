import { readAdjustmentKey } from "./adjustments";
import { type Edit, together } from "./edit";
import { adjust } from "./edits";
import { FIELDS } from "./fields";
import { type Promotion } from "./promotion";

/** How loud all clips are that nobody gave a level of their own; undefined where nobody said so. */
export const levelOfAllClips = ({ adjustments }: Pick<Promotion, "adjustments">): number | undefined =>
  adjustments["@all"]?.clipLevel;

/**
 * Has all clips of a promotion be equally loud: what some had of their own gives way. Null gives all back to what is usual.
 * @param level 1 is as loud as the clip itself
 */
export function setAllClips({ adjustments }: Pick<Promotion, "adjustments">, level: number | null): Edit {
  const own = Object.keys(adjustments).flatMap((key) => {
    const { target } = readAdjustmentKey(key);
    return target && adjustments[key]?.clipLevel !== undefined ? [adjust("clipLevel", null, { target })] : [];
  });
  // A layer of its own holds what is so in every scene, whichever is named.
  const all = { target: { scene: "" }, layer: "@all" } as const;
  const isSet = levelOfAllClips({ adjustments }) !== undefined;
  const edits = level === null && !isSet ? own : [...own, adjust("clipLevel", level, all)];
  return together(`${FIELDS.clipLevel.field.label}s`, edits);
}
