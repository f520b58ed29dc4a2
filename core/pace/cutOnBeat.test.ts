import fc from "fast-check";
import { applyEdit } from "../document/edits";
import { defined } from "../testing/defined";
import { testDocument } from "../testing/promotions";
import { cutOnBeat, joinsOf } from "./cutOnBeat";
import { type PacedScene } from "./pacedScenes";

const scene = (id: string, change: Partial<PacedScene> = {}): PacedScene => ({
  id,
  name: id,
  length: 3000,
  overlap: 0,
  shortest: 500,
  least: 500,
  most: 60_000,
  heldUpBy: { kind: "least" },
  weight: 1,
  need: 0,
  forWords: null,
  forClips: null,
  isLocked: false,
  ...change,
});
/** The scenes with the lengths that an edit gives them. */
function after(scenes: readonly PacedScene[], edit: Parameters<typeof applyEdit>[1]): PacedScene[] {
  const { adjustments } = applyEdit({ ...testDocument(), adjustments: {} }, edit);
  return scenes.map((one) => ({ ...one, length: adjustments[one.id]?.length ?? one.length }));
}
const whole = (scenes: readonly PacedScene[]): number =>
  scenes.reduce((sum, { length, overlap }) => sum + length - overlap, 0);
const everyHalf = Array.from({ length: 80 }, (_, at) => at * 500 + 120);

test("joins go to the nearest beats, the middle of a crossfade as well as a cut, and the whole lasts as long as before", () => {
  const scenes = [
    scene("hook"),
    scene("product", { overlap: 400 }),
    scene("offer", { length: 2600 }),
    scene("sign-off"),
  ];
  const { edit, moved, joins } = defined(cutOnBeat(scenes, everyHalf));
  const cut = after(scenes, edit);
  expect([moved, joins]).toEqual([3, 3]);
  expect(joinsOf(scenes)).toEqual([2800, 5600, 8200]);
  expect(joinsOf(cut)).toEqual([2620, 5620, 8120]);
  expect(whole(cut)).toBe(whole(scenes));
});

test("no scene gets shorter than it must be: a later beat is taken, or the join stays", () => {
  const words = [scene("hook", { least: 2900 }), scene("product")];
  expect(joinsOf(after(words, defined(cutOnBeat(words, everyHalf)).edit))).toEqual([3120]);
  const far = [scene("hook", { least: 3000 }), scene("product")];
  expect(cutOnBeat(far, [1000, 2000, 2900])).toBeNull();
  const locked = [scene("hook", { least: 3000, most: 3000, isLocked: true }), scene("product")];
  expect(cutOnBeat(locked, everyHalf)).toBeNull();
  expect(cutOnBeat([scene("hook")], everyHalf)).toBeNull();
  expect(cutOnBeat(words, [])).toBeNull();
});

test("whatever scenes and beats there are, each keeps its bounds, each join lies on a beat or nearly where it was", () => {
  const anyScene = fc.record({
    length: fc.integer({ min: 1200, max: 6000 }),
    overlap: fc.constantFrom(0, 300, 500),
    slack: fc.double({ min: 0.2, max: 1, noNaN: true }),
  });
  const ids = ["hook", "product", "offer", "sign-off"];
  fc.assert(
    fc.property(
      fc.array(anyScene, { minLength: 2, maxLength: 4 }),
      fc.integer({ min: 300, max: 1100 }),
      fc.integer({ min: 0, max: 900 }),
      (all, apart, first) => {
        const scenes = all.map(({ length, overlap, slack }, at) =>
          scene(ids[at] ?? "", { length, overlap: at === 0 ? 0 : overlap, least: Math.max(1000, length * slack) }),
        );
        const beats = Array.from({ length: 60 }, (_, at) => first + at * apart);
        const result = cutOnBeat(scenes, beats);
        if (!result) return;
        const cut = after(scenes, result.edit);
        const before = joinsOf(scenes);
        cut.forEach(({ length, least }) => expect(length).toBeGreaterThanOrEqual(Math.floor(least)));
        joinsOf(cut).forEach((join, at) => {
          const onBeat = beats.some((beat) => Math.abs(beat - join) <= 1);
          expect(onBeat || Math.abs(join - (before[at] ?? 0)) <= apart).toBe(true);
        });
        expect(whole(cut)).toBeGreaterThanOrEqual(whole(scenes) - 1);
      },
    ),
  );
});
