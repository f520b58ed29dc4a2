import { type SceneSpan } from "../time/timeline";
import { ticksOf } from "../time/ticks";
import { type CutMedia, framesPassed } from "../scene/shotTrack";
import { usedOf } from "./shots";

/** A scene with what is shown in its slots. */
interface ShownScene<Shot> {
  readonly template: { readonly goesOn: boolean };
  readonly shots: Readonly<Record<string, readonly Shot[]>>;
}

/**
 * Scenes in which a clip goes on from where it was: where a scene is one shot with the one before, and both show the same
 * stretch of the same clip, its pictures and its sound begin at the frame that the one before has come to.
 */
export function continuedClips<Shot extends CutMedia, Scene extends ShownScene<Shot>>(
  scenes: readonly Scene[],
  spans: readonly SceneSpan[],
): readonly Scene[] {
  return scenes.reduce<Scene[]>((done, scene, index) => {
    const [before, as] = [done[index - 1], scenes[index - 1]];
    if (!before || !as || !scene.template.goesOn) return [...done, scene];
    const passed = (spans[index]?.start ?? 0) - (spans[index - 1]?.start ?? 0);
    const shots = Object.entries(scene.shots).map(([slot, own]) => {
      const twin = Object.keys(as.shots).find((other) => isSameClip(own, as.shots[other] ?? []));
      const [shown] = twin === undefined ? [] : (before.shots[twin] ?? []);
      return [slot, shown ? [goneOn(shown, passed)] : own] as const;
    });
    return [...done, { ...scene, shots: Object.fromEntries(shots) }];
  }, []);
}

function isSameClip(own: readonly CutMedia[], other: readonly CutMedia[]): boolean {
  const [[one, ...more], [twin, ...others]] = [own, other];
  if (!one || !twin || more.length > 0 || others.length > 0) return false;
  const isClip = one.media.kind === "clip" && one.cut.held === undefined && one.cut.endSpeed === undefined;
  return isClip && one.media.id === twin.media.id && JSON.stringify(one.cut) === JSON.stringify(twin.cut);
}

/** A shot without what has passed of it. @param passed milliseconds */
function goneOn<Shot extends CutMedia>(shot: Shot, passed: number): Shot {
  const { media, cut } = shot;
  if (media.kind !== "clip") return shot;
  const { from, to } = usedOf(media, cut);
  const frames = Math.min(to - from - 1, Math.round(framesPassed(media, cut, ticksOf(passed))));
  const left = cut.reversed ? { from, to: to - frames } : { from: from + frames, to };
  return { ...shot, cut: { ...cut, ...left } };
}
