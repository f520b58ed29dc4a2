import { halvesOf, withShots } from "../document/cutEdits";
import { type Edit } from "../document/edit";
import { adjust, applyEdit, editTo } from "../document/edits";
import { FIELDS } from "../document/fields";
import { type Promotion, MOST_SCENES } from "../document/promotion";
import { type ResolvedScene, type ResolvedShot } from "../document/resolve";
import { repeatScene } from "../document/restructure";
import { type SlotKey } from "../document/sceneTemplate";
import { shotOn, shotTrack } from "../scene/shotTrack";
import { msOf, ticksOf } from "../time/ticks";
import { millis } from "../units";

const { least: SHORTEST } = FIELDS.length.field;

/** A scene that is to be split, and the one that comes after it. */
export interface SceneToSplit {
  readonly scene: ResolvedScene;
  readonly next: ResolvedScene | undefined;
}

/** Whether a scene can be split: each part is as long as a scene must be, and there is room for one more. */
export function canSplit(document: Promotion, { scene, next }: SceneToSplit, passed: number): boolean {
  const { length, overlap } = scene.template;
  const at = Math.round(passed);
  // Each part is on screen twice as long as it shares it, as any scene.
  const [least, leastAfter] = [Math.max(SHORTEST, 2 * overlap), Math.max(SHORTEST, 2 * (next?.template.overlap ?? 0))];
  return at >= least && length - at >= leastAfter && Object.keys(document.scenes).length < MOST_SCENES;
}

/**
 * Makes two scenes of one at a time: what its slots show goes on from the one to the other, which follows by a cut. Both
 * have its words. Null where it can't be split.
 *
 * @param passed milliseconds from the scene's start
 */
export function splitScene(document: Promotion, { scene, next }: SceneToSplit, passed: number): Edit | null {
  if (!canSplit(document, { scene, next }, passed)) return null;
  const { length } = scene.template;
  const at = Math.round(passed);
  const repeated = repeatScene(document, scene.id);
  const second = Object.keys(repeated.scenes).find((id) => !Object.hasOwn(document.scenes, id)) ?? "";
  const shots = Object.entries(scene.shots).flatMap(([slot, all]) => {
    const cut = cutAt(all, length, at);
    if (!cut) return [];
    const fillOf = (id: string, own: readonly ResolvedShot[]): Edit => {
      const key: SlotKey = `${id}.${slot}`;
      return withShots({ slot: key, fill: repeated.fills[key] }, own, "Split the scene");
    };
    return [fillOf(scene.id, cut.before), fillOf(second, cut.after)];
  });
  const edits = [
    ...shots,
    adjust("length", millis(at), { target: { scene: scene.id } }),
    adjust("length", millis(length - at), { target: { scene: second } }),
    adjust("overlap", millis(0), { target: { scene: second } }),
  ];
  return editTo(document, edits.reduce(applyEdit, repeated), "Split the scene");
}

/** What a slot shows before and after a time; null where one still picture is shown all through. */
function cutAt(
  shots: readonly ResolvedShot[],
  length: number,
  at: number,
): { readonly before: readonly ResolvedShot[]; readonly after: readonly ResolvedShot[] } | null {
  const now = shotOn(shotTrack(shots, length), ticksOf(at));
  const index = shots.findIndex(({ id }) => id === now?.span.what.id);
  const shot = shots[index];
  if (!now || !shot || (shots.length === 1 && shot.media.kind === "picture")) return null;
  const [first, second] = halvesOf(shot, msOf(now.passed)) ?? [shot.cut, shot.cut];
  return {
    before: [...shots.slice(0, index), { ...shot, cut: first }],
    after: [{ ...shot, cut: second }, ...shots.slice(index + 1)],
  };
}
