import fc from "fast-check";
import { type ShotCut } from "../document/shots";
import { testClip, testPicture } from "../testing/promotions";
import { FPS_30 } from "../time/frames";
import { frameStart, msOf, ticks, ticksOf } from "../time/ticks";
import { millis } from "../units";
import { type CutMedia, shotTrack, sourceFrame } from "./shotTrack";

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
