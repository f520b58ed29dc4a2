import { type ShotCut } from "../document/shots";
import { type CutMedia } from "../scene/shotTrack";
import { defined } from "../testing/defined";
import { testClip, testPicture } from "../testing/promotions";
import { sceneSpans } from "../time/timeline";
import { msOf, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type SoundingScene, clipSounds } from "./clipSounds";
import { levelAt, positionAt } from "./mixedPiece";

/** Six seconds at 30 frames a second. */
const clip = testClip({ frames: 180, hasSound: true });
const other = testClip({ id: "other", frames: 180, hasSound: true });
const shot = (cut: ShotCut = {}, media = clip): CutMedia => ({ media, cut });

/** Scenes of 4 s, each half a second into the one before. */
function scenes(...slots: readonly SoundingScene["slots"][]): SoundingScene[] {
  const spans = sceneSpans(slots.map(() => ({ length: millis(4000), overlap: millis(500) })));
  return spans.map((span, index) => ({ span, slots: slots[index] ?? [] }));
}
const heard = (of: readonly SoundingScene[], { usual = 1, length = 60_000 } = {}) => clipSounds(of, { usual, length });
const one = (...shots: readonly CutMedia[]) => ({ shots, level: undefined });

test("a clip is heard while it is seen, from where it is cut, and fades over with its scene", () => {
  const track = heard(scenes([one(shot())], [one(shot({ from: 30 }))]));
  expect(track.map(({ from, to }) => [msOf(from), msOf(to)])).toEqual([
    [0, 4000],
    [3500, 7500],
  ]);
  expect(track.map(({ what }) => what.position)).toEqual([0, 48_000]);
  const levelAtMs = (index: number, ms: number): number => levelAt(defined(track[index]), ticksOf(ms));
  // At equal power: in the middle both have as much, and together they are as strong as one.
  const half = expect.closeTo(Math.SQRT1_2, 3) as number;
  expect([1000, 3500, 3750].map((ms) => levelAtMs(0, ms))).toEqual([1, 1, half]);
  expect([3750, 4000, 7400].map((ms) => levelAtMs(1, ms))).toEqual([half, 1, 1]);
  for (let ms = 3510; ms < 3990; ms += 20)
    expect(Math.abs(10 * Math.log10(levelAtMs(0, ms) ** 2 + levelAtMs(1, ms) ** 2))).toBeLessThan(0.1);
  // Where it is cut it is softened so shortly that nobody hears it.
  expect([0, 2, 4].map((ms) => levelAtMs(0, ms))).toEqual([0, 0.5, 1]);
  expect([7496, 7498, 7500].map((ms) => levelAtMs(1, ms))).toEqual([1, 0.5, 0]);
});

test("a clip that ends before its scene goes is not faded before its time", () => {
  const [long, within] = [heard(scenes([one(shot({ to: 60 }))], [])), heard(scenes([one(shot({ to: 111 }))], []))];
  // Two seconds of four.
  expect(levelAt(defined(long[0]), ticksOf(1990))).toBe(1);
  // 3.7 of four, of which the last half second fades.
  expect(levelAt(defined(within[0]), ticksOf(3625))).toBeCloseTo(Math.cos(Math.PI / 8), 3);
});

test("after its end there is silence, and what is cut out is not heard", () => {
  const [cut] = heard(scenes([one(shot({ from: 30, to: 60 }))]));
  expect(cut && [msOf(cut.from), msOf(cut.to)]).toEqual([0, 1000]);
  expect(cut?.what.used).toEqual({ from: 48_000, to: 96_000 });
  const parts = heard(scenes([one(shot({ from: 0, to: 30 }), shot({ from: 90, to: 120 }))]));
  expect(parts.map(({ from, to, what }) => [msOf(from), msOf(to), what.position / 48_000])).toEqual([
    [0, 1000, 0],
    [1000, 2000, 3],
  ]);
});

test("faster is shorter, backwards begins at the end, a held frame is silent, and so is what has no sound", () => {
  const [fast] = heard(scenes([one(shot({ speed: 2 }))]));
  expect(fast && [msOf(fast.to), fast.what.speed]).toEqual([3000, 2]);
  const [back] = heard(scenes([one(shot({ from: 30, to: 90, reversed: true }))]));
  expect(back && [back.what.position, back.what.speed]).toEqual([3 * 48_000 - 1, -1]);
  const silent = [shot({ held: 10 }), { media: testPicture(), cut: {} }, shot({}, testClip({ hasSound: false }))];
  for (const what of silent) expect(heard(scenes([one(what)]))).toEqual([]);
});

test("as high as it was it passes sample by sample in what was made that fast; the same stretch is heard", () => {
  const [slow] = heard(scenes([one(shot({ from: 30, to: 60, speed: 0.5, pitchKept: true }))]));
  expect(slow?.what).toMatchObject({ speed: 1, tempo: 0.5, position: 96_000, used: { from: 96_000, to: 192_000 } });
  expect(slow && msOf(slow.to)).toBe(2000);
  const [back] = heard(scenes([one(shot({ to: 60, speed: 2, pitchKept: true, reversed: true }))]));
  expect(back?.what).toMatchObject({ speed: -1, tempo: 2, position: 47_999 });
  // At its own speed there is nothing to keep; of one that changes it can't be.
  const [own] = heard(scenes([one(shot({ pitchKept: true }))]));
  expect(own?.what).not.toHaveProperty("tempo");
  const [ramp] = heard(scenes([one(shot({ to: 60, speed: 0.5, endSpeed: 1.5, pitchKept: true }))]));
  expect(ramp?.what).not.toHaveProperty("tempo");
});

test("what gets faster ends where its pictures end", () => {
  const [ramp] = heard(scenes([one(shot({ to: 90, speed: 0.5, endSpeed: 2.5 }))]));
  const { from, to, what } = defined(ramp);
  // Three seconds at 1.5 times on the whole.
  expect([msOf(from), msOf(to)]).toEqual([0, 2000]);
  expect(positionAt(what, 0)).toBe(0);
  // Half way through it has gone 0.5 to 1.5 times as fast for a second.
  expect(positionAt(what, 48_000)).toBeCloseTo(48_000);
  expect(positionAt(what, 96_000)).toBeCloseTo(144_000);
  const [back] = heard(scenes([one(shot({ to: 90, speed: 0.5, endSpeed: 2.5, reversed: true }))]));
  expect(positionAt(defined(back).what, 96_000)).toBeCloseTo(-1);
});

test("shots that are joined fade over each other as long as both are seen", () => {
  const joined = [shot({ to: 60 }), shot({ to: 60, comesBy: "push", comesOver: millis(400) })];
  const [first, second] = heard(scenes([one(...joined)])).map((piece) => defined(piece));
  expect([first, second].map((piece) => piece && [msOf(piece.from), msOf(piece.to)])).toEqual([
    [0, 2000],
    [1600, 3600],
  ]);
  for (const ms of [1600, 1700, 1800, 1990])
    expect(levelAt(defined(first), ticksOf(ms)) ** 2 + levelAt(defined(second), ticksOf(ms)) ** 2).toBeCloseTo(1, 2);
  expect(levelAt(defined(first), ticksOf(1700))).toBeCloseTo(Math.cos(Math.PI / 8), 2);
});

test("what has a level of its own keeps it; others have the usual one; none at all is not heard", () => {
  const levelsOf = (slots: SoundingScene["slots"]) =>
    heard(scenes(slots), { usual: 0.3 }).map(({ what }) => what.levels[1]?.level);
  expect(levelsOf([one(shot())])).toEqual([0.3]);
  expect(levelsOf([{ shots: [shot()], level: 0.8 }])).toEqual([0.8]);
  expect(levelsOf([{ shots: [shot()], level: 0 }])).toEqual([]);
});

test("the same stretch of a clip in two slots is heard once, the louder one; others are heard beside it", () => {
  const track = heard(
    scenes([
      { shots: [shot()], level: 0.2 },
      { shots: [shot()], level: 0.6 },
      { shots: [shot()], level: 0.4 },
      one(shot({ from: 60 })),
      one(shot({}, other)),
    ]),
  );
  expect(track.map(({ what }) => [what.sound, what.position, what.levels[1]?.level])).toEqual([
    [clip.id, 0, 0.6],
    [clip.id, 96_000, 1],
    ["other", 0, 1],
  ]);
});

test("nothing is heard after the end of the promotion", () => {
  expect(heard(scenes([one(shot())]), { length: 2500 }).map(({ to }) => msOf(to))).toEqual([2500]);
});

test("a clip that goes on in the next scene is heard once, without a fade where both show it", () => {
  // The second begins where the first has come to after 3.5 s.
  const [first, second, ...others] = heard(scenes([one(shot({ to: 170 }))], [one(shot({ from: 105, to: 170 }))]));
  expect(others).toEqual([]);
  expect([defined(first), defined(second)].map(({ from, to }) => [msOf(from), msOf(to)])).toEqual([
    [0, 3504],
    [3500, expect.closeTo(5666.67, 1)],
  ]);
  const sum = (ms: number): number => levelAt(defined(first), ticksOf(ms)) + levelAt(defined(second), ticksOf(ms));
  for (const ms of [3000, 3500, 3501, 3502, 3503, 3504, 3700, 4500]) expect(sum(ms)).toBeCloseTo(1);
  // Another stretch of it is another sound: both fade.
  const [one2] = heard(scenes([one(shot())], [one(shot({ from: 10 }))]));
  expect(msOf(defined(one2).to)).toBe(4000);
});
