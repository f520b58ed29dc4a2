import { type Edit, together } from "./edit";
import { fillSlot } from "./edits";
import { type MediaFacts } from "./facts";
import { type Fill, type Promotion } from "./promotion";
import { type ResolvedShot } from "./resolve";
import { type SlotKey } from "./sceneTemplate";
import { listedMembers, orderedRecord } from "./ordered";
import { freeId } from "./sceneIds";
import { type Shot, type UsedFrames, mediaFill, usedOf } from "./shots";
import { Refusal } from "../refusal";

/** A part of a clip that is shown, as the shot that shows it. */
export interface KeptPart extends UsedFrames {
  /** The shot's. */
  readonly id: string;
}

/** The parts that a slot shows of the clip that it begins with, in the order of the clip; none where it begins with a picture. */
export function partsOf(shots: readonly ResolvedShot[]): KeptPart[] {
  const [first] = shots;
  if (first?.media.kind !== "clip") return [];
  const clip = first.media;
  return shots
    .filter(({ media }) => media.id === clip.id)
    .map(({ id, cut }) => ({ id, ...usedOf(clip, cut) }))
    .sort((one, other) => one.from - other.from);
}

/**
 * Shows some parts of a clip and leaves out what is between them. A part with a new id is as its neighbour before it in
 * speed and the rest. What is shown of another slot or the product becomes this slot's own; other clips in it stay.
 *
 * @param shots what the slot shows @throws RangeError where no part is left, or it shows no clip
 */
export function keepParts(
  document: Promotion,
  { slot, shots }: { readonly slot: SlotKey; readonly shots: readonly ResolvedShot[] },
  parts: readonly KeptPart[],
  label = "Trim",
): Edit {
  const clip = shots[0]?.media;
  if (clip?.kind !== "clip") throw new Refusal("Only a clip has parts.");
  if (parts.length === 0) throw new Refusal("A part of the clip stays at least.");
  const before = mediaOf(document.fills[slot])?.shots ?? mediaFill(clip.id).shots;
  const all = listedMembers<string, Shot>(before);
  const others = all.filter(({ media }) => media !== clip.id);
  const taken = new Set(others.map(({ id }) => id));
  let like: Omit<Shot, "order"> = all[0] ?? { media: clip.id };
  const kept = parts.map(({ id: wanted, ...part }) => {
    const id = freeId(wanted, taken);
    taken.add(id);
    const { from, to } = usedOf(clip, part);
    like = all.find((shot) => shot.id === id) ?? like;
    const cut: { -readonly [Key in keyof typeof like]: (typeof like)[Key] } = { ...like, media: clip.id };
    // The whole of it is said by saying nothing.
    delete cut.from;
    delete cut.to;
    if (from > 0) cut.from = from;
    if (to < clip.frames) cut.to = to;
    return { ...cut, id };
  });
  const list = [...kept, ...others];
  return { ...fillSlot(slot, { kind: "media", shots: orderedRecord(list, before) }), label };
}

/** Parts with what lies between two frames left out: a part around it becomes two. */
export function leftOut(parts: readonly KeptPart[], { from, to }: UsedFrames): KeptPart[] {
  const taken = new Set(parts.map(({ id }) => id));
  return parts.flatMap((part): KeptPart[] => {
    const [before, after] = [
      { ...part, to: Math.min(part.to, from) },
      { ...part, from: Math.max(part.from, to) },
    ];
    const left = [before, after].filter((one) => one.to > one.from);
    if (left.length < 2) return left;
    const id = freeId(part.id, taken);
    taken.add(id);
    return [before, { ...after, id }];
  });
}

/** Parts with what was left out behind one of them put back: it and the next become one. */
export const putBack = (parts: readonly KeptPart[], at: number): KeptPart[] =>
  parts.flatMap((part, index) =>
    index === at + 1 ? [] : index === at ? [{ ...part, to: parts[at + 1]?.to ?? part.to }] : [part],
  );

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
