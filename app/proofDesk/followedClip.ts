import { type ClipFacts } from "../../core/document/facts";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { targetOf } from "../../core/document/adjustments";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type SlotFraming } from "../../core/document/slotFraming";
import { type FormatName } from "../../core/placement/formats";
import { shotOn, shotTrack } from "../../core/scene/shotTrack";
import { ticksOf } from "../../core/time/ticks";

/** A clip whose subject may be followed, as it is framed, and the frame of it that is on screen. */
export interface FollowedClip {
  readonly facts: ClipFacts;
  readonly framing: SlotFraming | null;
  readonly frame: number;
}

/** A slot as a format shows it. */
export interface SlotIn {
  readonly slot: SlotKey;
  readonly format: FormatName;
}

/** The clip that is in a slot at a time of the promotion, in milliseconds; its nearest moment while its scene is not on screen. */
export function followedClip(
  promotion: ResolvedPromotion,
  { slot: key, format }: SlotIn,
  time: number,
): FollowedClip | null {
  const { scene: id, slot } = targetOf(key);
  const { scenes } = promotion.inFormat[format] ?? promotion;
  const at = scenes.findIndex((one) => one.id === id);
  const [scene, span] = [scenes[at], promotion.spans[at]];
  if (!scene || !span) return null;
  const { length, framings } = scene.template;
  const ms = Math.min(length, Math.max(0, time - span.start));
  const now = shotOn(shotTrack(scene.shots[slot] ?? [], length), ticksOf(ms));
  return now?.span.what.media.kind === "clip"
    ? { facts: now.span.what.media, framing: framings[slot] ?? null, frame: now.frame }
    : null;
}
