import { type Framing, PLAIN_FRAMING, type Way } from "../geometry/framedPicture";
import { type Bend } from "../geometry/subjectPath";
import { type Behind } from "./behind";
import { type DesignFieldId, type ValueOf } from "./fields";

/** How what is in a slot is framed, as far as somebody said so. */
export interface SlotFraming extends Omit<Framing, "way"> {
  /** Null where it is left to the arrangement. */
  readonly way: Way | null;
  /** What is seen beside it; null for the scene's ground. */
  readonly behind: Behind | null;
  /** Whether what fills its place follows the subject of a clip, unless a point was chosen. */
  readonly follows: boolean;
  /** Where somebody said the subject is, at some frames of the clip. */
  readonly bends: readonly Bend[];
}

export const FRAMING_FIELDS = [
  "way",
  "point",
  "enlarged",
  "turned",
  "mirrored",
  "window",
  "strip",
  "behind",
  "follows",
  "bends",
] as const satisfies readonly DesignFieldId[];
export type FramingFieldId = (typeof FRAMING_FIELDS)[number];

/** Whether what fills a place follows the subject of a clip: not where it is whole, nor where a point of it was chosen. */
export const followsSubject = (framing: SlotFraming | null): boolean =>
  framing === null ||
  (framing.follows && framing.point === null && framing.way !== "whole" && framing.way !== "over its blur");

/** The framing that the values of its fields make; null where nothing of it was set. */
export function slotFraming(
  valueOf: <Id extends FramingFieldId>(id: Id) => ValueOf<Id> | undefined,
): SlotFraming | null {
  if (FRAMING_FIELDS.every((id) => valueOf(id) === undefined)) return null;
  return {
    way: valueOf("way") ?? null,
    point: valueOf("point") ?? null,
    enlarged: valueOf("enlarged") ?? PLAIN_FRAMING.enlarged,
    turned: valueOf("turned") ?? PLAIN_FRAMING.turned,
    mirrored: valueOf("mirrored") ?? PLAIN_FRAMING.mirrored,
    window: valueOf("window") ?? null,
    strip: valueOf("strip") ?? PLAIN_FRAMING.strip,
    behind: valueOf("behind") ?? null,
    follows: valueOf("follows") ?? true,
    bends: valueOf("bends") ?? [],
  };
}
