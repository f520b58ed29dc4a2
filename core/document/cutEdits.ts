import { type Edit } from "./edit";
import { fillSlot } from "./edits";
import { type MediaFacts } from "./facts";
import { orderedRecord } from "./ordered";
import { type Fill } from "./promotion";
import { type ResolvedShot } from "./resolve";
import { freeId } from "./sceneIds";
import { type SlotKey } from "./sceneTemplate";
import { LEAST_LENGTH_MS, MOST_SHOTS, type ShotCut, usedOf } from "./shots";
import { ownLength, sourceFrame, speedAt } from "../scene/shotTrack";
import { millis } from "../units";
import { ticksOf } from "../time/ticks";

/** A slot with what it shows, wherever that comes from: what is cut of it becomes the slot's own. */
export interface CutSlot {
  readonly slot: SlotKey;
  readonly shots: readonly ResolvedShot[];
  /** What is filled in, if anything. */
  readonly fill: Fill | undefined;
}

/** What is to be different in how a shot is cut; null takes a value away. */
export type CutChange = { readonly [Key in keyof ShotCut]?: ShotCut[Key] | null };

/** Cuts a shot in another way. What is used of a clip stays within it. */
export function changeCut(of: CutSlot, id: string, change: CutChange, label = "Cut"): Edit {
  return withShots(
    of,
    of.shots.map((shot) => (shot.id === id ? { ...shot, cut: cutWith(shot, change) } : shot)),
    label,
  );
}

function cutWith({ media, cut }: Pick<ResolvedShot, "media" | "cut">, change: CutChange): ShotCut {
  const all: Record<string, unknown> = { ...cut, ...change };
  const next: ShotCut = Object.fromEntries(
    Object.entries(all).filter(([, value]) => value !== null && value !== undefined),
  );
  if (media.kind !== "clip") return next;
  const { from, to } = usedOf(media, next);
  return {
    ...without(next, ["from", "to", "held"]),
    // The whole of it is said by saying nothing.
    ...(from > 0 ? { from } : {}),
    ...(to < media.frames ? { to } : {}),
    ...(next.held === undefined ? {} : { held: Math.min(media.frames - 1, Math.max(0, next.held)) }),
  };
}

const without = (cut: ShotCut, keys: readonly (keyof ShotCut)[]): ShotCut =>
  Object.fromEntries(Object.entries(cut).filter(([key]) => !keys.some((one) => one === key)));

/** Shows other frames of a clip in the same time: all that is used moves by some frames, as far as the clip goes. */
export function slip(of: CutSlot, id: string, by: number): Edit | null {
  const shot = of.shots.find((one) => one.id === id);
  if (shot?.media.kind !== "clip") return null;
  const { from, to } = usedOf(shot.media, shot.cut);
  const moved = Math.max(-from, Math.min(by, shot.media.frames - to));
  return moved === 0 ? null : changeCut(of, id, { from: from + moved, to: to + moved }, "Slip");
}

/**
 * Makes two shots of one, which show what it showed; null where there is no frame to cut at.
 * @param passed milliseconds from the shot's own start
 */
export function splitShot(of: CutSlot, id: string, passed: number): Edit | null {
  const at = of.shots.findIndex((one) => one.id === id);
  const shot = of.shots[at];
  if (!shot || of.shots.length >= MOST_SHOTS || passed <= 0) return null;
  const halves = halvesOf(shot, passed);
  if (!halves) return null;
  const [before, after] = halves;
  const second = freeId(id, new Set(of.shots.map((one) => one.id)));
  const list = of.shots.toSpliced(at, 1, { ...shot, cut: before }, { ...shot, id: second, cut: after });
  return withShots(of, list, "Split");
}

/** How the two halves of a shot are cut; null where there is no frame to cut at. @param passed milliseconds from its start */
export function halvesOf({ media, cut }: ResolvedShot, passed: number): readonly [ShotCut, ShotCut] | null {
  const rest = without(cut, ["length"]);
  // The second half follows the first at once.
  const following = without(rest, ["comesBy", "comesOver", "comesThrough"]);
  const isShort = passed < LEAST_LENGTH_MS || (cut.length !== undefined && cut.length - passed < LEAST_LENGTH_MS);
  if (isShort) return null;
  const left = cut.length === undefined ? {} : { length: millis(cut.length - Math.round(passed)) };
  if (media.kind !== "clip" || cut.held !== undefined)
    return [
      { ...rest, length: millis(Math.round(passed)) },
      { ...following, ...left },
    ];
  const { from, to } = usedOf(media, cut);
  // Where a clip has ended there is nothing to cut.
  if (passed >= (ownLength({ media, cut: rest }) ?? 0)) return null;
  const frame = sourceFrame(media, cut, ticksOf(passed));
  // Backwards, what comes first is what lies behind in the clip.
  const edge = cut.reversed ? frame + 1 : frame;
  if (edge <= from || edge >= to) return null;
  const [early, late] = [{ to: edge }, { from: edge }];
  const [first, second] = cut.reversed ? [late, early] : [early, late];
  // Where the speed changes, the first half comes to that which the second begins with.
  const between = round(speedAt(media, cut, ticksOf(passed)));
  const [ends, begins] = cut.endSpeed === undefined ? [{}, {}] : [{ endSpeed: between }, { speed: between }];
  return [
    cutWith({ media, cut: rest }, { ...first, ...ends }),
    { ...cutWith({ media, cut: following }, { ...second, ...begins }), ...left },
  ];
}

/** A speed as it is kept. */
const round = (speed: number): number => Math.round(speed * 10_000) / 10_000;

/** Shows another picture or clip after a shot. Null where there are as many as can be. */
export function addShot(of: CutSlot, after: string, media: MediaFacts): Edit | null {
  if (media.kind === "sound" || of.shots.length >= MOST_SHOTS) return null;
  const at = of.shots.findIndex(({ id }) => id === after) + 1;
  const id = freeId("shot", new Set(of.shots.map((one) => one.id)));
  return withShots(of, of.shots.toSpliced(at, 0, { id, media, cut: {} }), "Add a shot");
}

/** Moves a shot among the others of its slot. Null where it is at that end. */
export function moveShot(of: CutSlot, id: string, by: -1 | 1): Edit | null {
  const at = of.shots.findIndex((one) => one.id === id);
  const shot = of.shots[at];
  const other = of.shots[at + by];
  if (!shot || !other) return null;
  return withShots(of, of.shots.with(at, other).with(at + by, shot), "Move a shot");
}

/** Takes a shot out. Null for the only one: a slot is emptied by giving it back. */
export const takeOutShot = (of: CutSlot, id: string): Edit | null =>
  of.shots.length < 2
    ? null
    : withShots(
        of,
        of.shots.filter((one) => one.id !== id),
        "Take a shot out",
      );

/** Fills a slot with shots, in their order. */
export function withShots({ slot, fill }: Omit<CutSlot, "shots">, list: readonly ResolvedShot[], label: string): Edit {
  const before = fill?.kind === "media" ? fill.shots : {};
  const shots = orderedRecord(
    list.map(({ id, media, cut }) => ({ id, media: media.id, ...cut })),
    before,
  );
  return { ...fillSlot(slot, { kind: "media", shots }), label };
}
