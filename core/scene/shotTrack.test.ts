import fc from "fast-check";
import { type ShotCut } from "../document/shots";
import { testClip, testPicture } from "../testing/promotions";
import { FPS_30 } from "../time/frames";
import { frameStart, msOf, ticks, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type CutMedia, lengthOfShots, ownLength, shotTrack, sourceFrame, sourceFrames } from "./shotTrack";

const clip = testClip({ frames: 90, rate: FPS_30 });
const clipShot = (cut: ShotCut = {}): CutMedia => ({ media: clip, cut });
const still = (cut: ShotCut = {}): CutMedia => ({ media: testPicture(), cut });
const spans = (shots: readonly CutMedia[], length: number): number[][] =>
  shotTrack(shots, length).map(({ from, to }) => [msOf(from), msOf(to)]);
const frames = (cut: ShotCut, at: readonly number[]): number[] =>
  at.map((frame) => sourceFrame(clip, cut, frameStart(frame, FPS_30)));

test("one shot is there for the whole scene, however long its clip", () => {
  expect(spans([clipShot()], 4000)).toEqual([[0, 4000]]);
  expect(spans([still()], 700)).toEqual([[0, 700]]);
});

test("clips play what is used of them, stills share what is left, and the last stays to the end", () => {
  // 30 frames at 30 a second, then at half the speed, then whatever is left of 8 s.
  expect(spans([clipShot({ from: 10, to: 40 }), clipShot({ to: 30, speed: 0.5 }), still()], 8000)).toEqual([
    [0, 1000],
    [1000, 3000],
    [3000, 8000],
  ]);
  expect(spans([still(), still({ length: millis(500) }), still(), still()], 3500)).toEqual([
    [0, 1000],
    [1000, 1500],
    [1500, 2500],
    [2500, 3500],
  ]);
});

test("what does not fit into a scene is not there; no shot is ever outside it, and none overlaps another", () => {
  expect(spans([clipShot(), clipShot(), still()], 4000)).toEqual([
    [0, 3000],
    [3000, 4000],
  ]);
  const cut = fc.record({
    from: fc.option(fc.nat(100), { nil: undefined }),
    speed: fc.option(fc.constantFrom(0.25, 1, 3, 8), { nil: undefined }),
    length: fc.option(fc.integer({ min: 40, max: 5000 }).map(millis), { nil: undefined }),
  });
  const shot = fc.tuple(fc.constantFrom(clipShot, still), cut).map(([make, own]) => make(own));
  fc.assert(
    fc.property(
      fc.array(shot, { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 500, max: 9000 }),
      (shots, length) => {
        const track = shotTrack(shots, length);
        expect(track.map(({ from }) => from)).toEqual([ticks(0), ...track.slice(0, -1).map(({ to }) => to)]);
        expect(track.at(-1)?.to).toBe(ticksOf(length));
      },
    ),
  );
});

test("frames of a clip: in its own time, cut, fast, slow, backwards and held", () => {
  expect(frames({}, [0, 1, 89, 90, 500])).toEqual([0, 1, 89, 89, 89]);
  expect(frames({ from: 10, to: 20 }, [0, 5, 9, 10])).toEqual([10, 15, 19, 19]);
  expect(frames({ speed: 2 }, [0, 1, 2, 44, 45])).toEqual([0, 2, 4, 88, 89]);
  expect(frames({ speed: 0.25 }, [0, 3, 4, 8])).toEqual([0, 0, 1, 2]);
  expect(frames({ from: 10, to: 20, reversed: true }, [0, 1, 9, 10])).toEqual([19, 18, 10, 10]);
  expect(frames({ held: 33 }, [0, 70])).toEqual([33, 33]);
  expect(frames({ from: 400 }, [0, 3])).toEqual([89, 89]);
});

test("a clip at 25 frames a second is at its right frame under every frame of 30", () => {
  const other = testClip({ frames: 100, rate: { numerator: 25, denominator: 1 } });
  for (let frame = 0; frame < 110; frame++)
    expect(sourceFrame(other, {}, frameStart(frame, FPS_30))).toBe(Math.min(99, Math.floor((frame * 25) / 30)));
});

test("from slow to fast: the speed changes evenly over the time that it takes", () => {
  // 90 frames from 0.5 to 2.5 times as fast: on the whole 1.5 times, so that they last two seconds.
  const ramp = { speed: 0.5, endSpeed: 2.5 };
  expect(ownLength(clipShot(ramp))).toBeCloseTo(2000, 9);
  // After half of the time the speed is 1.5: half of 30 frames at 0.5 to 1.5, so 30.
  expect(frames(ramp, [0, 30, 60, 61])).toEqual([0, 30, 89, 89]);
  // After a quarter of the time 0.5 to 1 times as fast: 11.25 frames.
  expect(frames(ramp, [15])).toEqual([11]);
  expect(frames({ ...ramp, reversed: true }, [0, 30])).toEqual([89, 59]);
  // From fast to slow the same frames take as long.
  expect(frames({ speed: 2.5, endSpeed: 0.5 }, [30])).toEqual([60]);
});

test("between two frames of a slow clip both are seen, each as much as it is near", () => {
  const at = (cut: ShotCut, frame: number) => sourceFrames(clip, cut, frameStart(frame, FPS_30));
  expect(at({ speed: 0.25 }, 0)).toEqual({ frame: 0, next: 1, share: 0 });
  expect(at({ speed: 0.25 }, 3)).toEqual({ frame: 0, next: 1, share: 0.75 });
  expect(at({ speed: 0.5, reversed: true }, 3)).toEqual({ frame: 88, next: 87, share: 0.5 });
  // At the end of what is used there is none after it.
  expect(at({ speed: 0.5, to: 10 }, 19)).toEqual({ frame: 9, next: 9, share: 0 });
  expect(at({ held: 7 }, 3)).toEqual({ frame: 7, next: 7, share: 0 });
});

test("a shot that comes in by a join shares its time with the one before, half of either at most", () => {
  const joined = [clipShot({ to: 60 }), clipShot({ to: 60, comesBy: "crossfade", comesOver: millis(500) }), still()];
  expect(spans(joined, 8000)).toEqual([
    [0, 2000],
    [1500, 3500],
    [3500, 8000],
  ]);
  expect(lengthOfShots(joined.slice(0, 2))).toBe(3500);
  // Stills share what is left, and what they have in common counts for both.
  const dip: ShotCut = { comesBy: "dip", comesOver: millis(400) };
  expect(spans([still(), still(dip), still(dip)], 4000)).toEqual([
    [0, 1600],
    [1200, 2800],
    [2400, 4000],
  ]);
  const short = [clipShot({ to: 12 }), clipShot({ to: 60, comesBy: "push", comesOver: millis(3000) }), still()];
  expect(spans(short, 4000)[1]?.[0]).toBe(200);
  // The first follows none.
  expect(spans([still(dip)], 2000)).toEqual([[0, 2000]]);
});
