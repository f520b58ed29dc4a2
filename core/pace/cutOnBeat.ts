import { type Edit, together } from "../document/edit";
import { adjust } from "../document/edits";
import { millis } from "../units";
import { type PacedScene } from "./pacedScenes";

/** Joins that were moved to beats, and how many of all there are. */
export interface CutOnBeat {
  readonly edit: Edit;
  readonly moved: number;
  readonly joins: number;
}

/** Closer than this a join lies on a beat: under half a frame, in milliseconds. */
const ON_BEAT = 12;

/**
 * Moves the joins between scenes to beats near them: the middle of what two scenes share. No scene becomes shorter than it
 * takes to be read, and all together last as long as they did, if the last can give way. Null where nothing moves.
 *
 * @param beats in milliseconds, in order
 */
export function cutOnBeat(scenes: readonly PacedScene[], beats: readonly number[]): CutOnBeat | null {
  const lengths = scenes.map(({ length }) => length);
  let start = 0;
  let moved = 0;
  scenes.slice(0, -1).forEach((scene, at) => {
    const next = scenes[at + 1];
    if (!next) return;
    const half = next.overlap / 2;
    const wasAt = joinsOf(scenes)[at] ?? 0;
    const reach = nearReach(beats, wasAt);
    const lengthFor = (join: number): number => Math.round(join + half - start);
    const fits = (length: number): boolean => length >= Math.ceil(scene.least) && length <= scene.most;
    const near = beats
      .filter((beat) => Math.abs(beat - wasAt) <= reach && fits(lengthFor(beat)))
      .reduce<number | null>(
        (best, beat) => (best === null || Math.abs(beat - wasAt) < Math.abs(best - wasAt) ? beat : best),
        null,
      );
    // Where no beat will do, it stays where it was as far as it can.
    const wanted = lengthFor(near ?? wasAt);
    const length = Math.min(scene.most, Math.max(Math.ceil(scene.least), wanted));
    lengths[at] = scene.isLocked ? scene.length : length;
    if (near !== null && Math.abs(near - wasAt) > ON_BEAT) moved++;
    start += (lengths[at] ?? 0) - next.overlap;
  });
  const last = scenes.at(-1);
  if (last) {
    const whole = scenes.reduce((sum, { length, overlap }) => sum + length - overlap, 0);
    const left = whole - start;
    lengths[scenes.length - 1] = last.isLocked
      ? last.length
      : Math.min(last.most, Math.max(Math.ceil(last.least), Math.round(left)));
  }
  const edits = scenes.flatMap(({ id, length }, at) =>
    lengths[at] === undefined || lengths[at] === length
      ? []
      : [adjust("length", millis(lengths[at]), { target: { scene: id } })],
  );
  return moved > 0 && edits.length > 0
    ? { edit: together("Cut on the beat", edits), moved, joins: scenes.length - 1 }
    : null;
}

/** When each scene but the first has half come in, in milliseconds. */
export function joinsOf(scenes: readonly Pick<PacedScene, "length" | "overlap">[]): number[] {
  let at = 0;
  return scenes.slice(0, -1).map(({ length }, index) => {
    const overlap = scenes[index + 1]?.overlap ?? 0;
    at += length - overlap;
    return at + overlap / 2;
  });
}

/** So far a join may be moved: to the nearest beat on either side, wherever it lies between two. */
function nearReach(beats: readonly number[], at: number): number {
  const before = beats.findLast((beat) => beat <= at);
  const after = beats.find((beat) => beat > at);
  return before !== undefined && after !== undefined ? after - before : 0;
}
