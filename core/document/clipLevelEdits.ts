import { type Edit } from "./edit";
import { FIELDS } from "./fields";
import { setForAll } from "./forAllEdits";
import { type Promotion } from "./promotion";

/** How loud all clips are that nobody gave a level of their own; undefined where nobody said so. */
export const levelOfAllClips = ({ adjustments }: Pick<Promotion, "adjustments">): number | undefined =>
  adjustments["@all"]?.clipLevel;

/**
 * Has all clips of a promotion be equally loud: what some had of their own gives way. Null gives all back to what is usual.
 * @param level 1 is as loud as the clip itself
 */
export const setAllClips = (document: Pick<Promotion, "adjustments">, level: number | null): Edit =>
  setForAll(document, [["clipLevel", level]], `${FIELDS.clipLevel.field.label}s`);
