import { type Edit, together } from "./edit";
import { fillSlot } from "./edits";
import { type MediaFacts } from "./facts";
import { type Fill, type Promotion } from "./promotion";
import { type ResolvedShot } from "./resolve";
import { type SlotKey } from "./sceneTemplate";
import { type Shot, type UsedFrames, mediaFill, usedOf } from "./shots";

/** Uses some frames of a clip alone. What is shown of another slot or the product becomes this slot's own. */
export function trimShot(document: Promotion, slot: SlotKey, shot: ResolvedShot, used: UsedFrames): Edit {
  const { media } = shot;
  const frames = media.kind === "clip" ? media.frames : 1;
  const { from, to } = usedOf({ frames }, used);
  const fill = mediaOf(document.fills[slot]) ?? mediaFill(media.id);
  const before = fill.shots[shot.id] ?? Object.values(mediaFill(media.id).shots)[0];
  if (!before) throw new RangeError("There is no such shot.");
  const trimmed: { -readonly [Key in keyof Shot]: Shot[Key] } = { ...before };
  // The whole of it is said by saying nothing.
  delete trimmed.from;
  delete trimmed.to;
  if (from > 0) trimmed.from = from;
  if (to < frames) trimmed.to = to;
  return { ...fillSlot(slot, { kind: "media", shots: { ...fill.shots, [shot.id]: trimmed } }), label: "Trim" };
}

/**
 * Puts another picture or clip in a slot. How it is framed stays, and so do a shot's speed, length and what is used of it,
 * as far as the new one has so much.
 */
export function replaceMedia(document: Promotion, slot: SlotKey, media: MediaFacts): Edit {
  const shots = Object.entries(mediaOf(document.fills[slot])?.shots ?? {});
  const [first] = shots;
  if (!first || shots.length > 1) return fillSlot(slot, mediaFill(media.id));
  const [id, { from, to, held, ...shot }] = first;
  const isClip = media.kind === "clip";
  const frames = isClip ? media.frames : 0;
  const kept: Shot = {
    ...shot,
    media: media.id,
    ...(from !== undefined && from < frames - 1 ? { from } : {}),
    ...(to !== undefined && to < frames && to > (from ?? 0) ? { to } : {}),
    ...(held !== undefined && held < frames ? { held } : {}),
  };
  return fillSlot(slot, { kind: "media", shots: { [id]: kept } });
}

/** Has two slots show what the other showed. Null where neither was filled by hand. */
export function swapSlots(document: Promotion, one: SlotKey, other: SlotKey): Edit | null {
  const [first, second] = [mediaOf(document.fills[one]), mediaOf(document.fills[other])];
  if (one === other || (!first && !second)) return null;
  return together("Swap", [fillSlot(one, second), fillSlot(other, first)]);
}

const mediaOf = (fill: Fill | undefined): Extract<Fill, { kind: "media" }> | null =>
  fill?.kind === "media" ? fill : null;
