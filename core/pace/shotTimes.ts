import { type CutChange, type CutSlot, changeCut } from "../document/cutEdits";
import { type Edit } from "../document/edit";
import { type ResolvedShot } from "../document/resolve";
import { LEAST_LENGTH_MS, meanSpeed, speedsOf, usedOf } from "../document/shots";
import { ownLength } from "../scene/shotTrack";
import { millis } from "../units";

/** What stays as it is when the speed of a shot changes: what is used of its clip, or how long it is on screen. */
export type Keeps = "used" | "length";

/** A shot and how long it is on screen, in milliseconds. */
export interface TimedShot {
  readonly of: CutSlot;
  readonly shot: ResolvedShot;
  readonly onScreen: number;
  /** Of its scene. */
  readonly sceneLength: number;
}

/** How a shot is cut anew, and how long its scene has to be for that: null where that stays as it is. */
export interface ShotTiming {
  readonly cut: Edit;
  readonly sceneLength: number | null;
}

/** A speed at the start of a shot and at its end, times the clip's own. */
export interface Speeds {
  readonly first: number;
  readonly last: number;
}

/**
 * Has a clip pass faster or slower. Where what is used of it is kept, the shot is that much shorter or longer, and where it
 * is the last of its slot its scene with it; where its length is kept, at least as much of the clip is used as passes in it.
 */
export function withSpeeds({ of, shot, onScreen, sceneLength }: TimedShot, speeds: Speeds, keeps: Keeps): ShotTiming {
  const change: CutChange = {
    speed: speeds.first === 1 ? null : speeds.first,
    endSpeed: speeds.last === speeds.first ? null : speeds.last,
  };
  const next = { ...shot, cut: { ...shot.cut, speed: speeds.first, endSpeed: speeds.last } };
  if (keeps === "length") {
    const lasting = isLast(of, shot.id) ? {} : { length: millis(Math.round(onScreen)) };
    return {
      cut: changeCut(of, shot.id, { ...change, ...usedIn(next, onScreen), ...lasting }, "Speed"),
      sceneLength: null,
    };
  }
  const cut = changeCut(of, shot.id, { ...change, length: null }, "Speed");
  const lasts = ownLength({ ...next, cut: { ...next.cut, length: undefined } });
  if (!isLast(of, shot.id) || lasts === null) return { cut, sceneLength: null };
  return { cut, sceneLength: sceneLength - onScreen + lasts };
}

/** Has a shot be on screen for a time: the last of a slot by the length of its scene. @param length milliseconds */
export function withLength({ of, shot, onScreen, sceneLength }: TimedShot, length: number): ShotTiming {
  const wanted = millis(Math.min(60_000, Math.max(LEAST_LENGTH_MS, Math.round(length))));
  return isLast(of, shot.id)
    ? { cut: changeCut(of, shot.id, {}, "Length"), sceneLength: sceneLength - onScreen + wanted }
    : { cut: changeCut(of, shot.id, { length: wanted }, "Length"), sceneLength: null };
}

const isLast = ({ shots }: CutSlot, id: string): boolean => shots.at(-1)?.id === id;

/**
 * What of a clip must be used to pass in a time, from where it begins in the shot, as far as the clip goes. At one speed
 * what is used beyond that stays, since nobody sees it; what changes its speed does so over all that is used.
 */
function usedIn({ media, cut }: ResolvedShot, ms: number): CutChange {
  if (media.kind !== "clip" || cut.held !== undefined) return {};
  const { from, to } = usedOf(media, cut);
  const passing = (ms * media.rate.numerator * meanSpeed(cut)) / (1000 * media.rate.denominator);
  const { first, last } = speedsOf(cut);
  const frames = Math.max(1, Math.round(passing), first === last ? to - from : 0);
  return cut.reversed ? { from: Math.max(0, to - frames), to } : { from, to: Math.min(media.frames, from + frames) };
}
