import { jest } from "@jest/globals";
import { type Lanes } from "../../core/document/lanes";
import { type SoundFacts } from "../../core/document/facts";
import { mixOf } from "../../core/sound/mix";
import { ONE_OFFER } from "../../core/templates/priceDrops";
import { defined } from "../../core/testing/defined";
import { millis } from "../../core/units";
import { ticksOf } from "../../core/time/ticks";
import { levels, openSoundPlayer } from "./soundPlayer";

interface Started {
  readonly at: number;
  readonly offset: number;
  readonly lasts: number;
  readonly isLooped: boolean;
  isStopped: boolean;
}
const started: Started[] = [];
let isClosed = false;

/** An audio clock that stands at 100 s, and sounds of 4 s. */
class TestContext {
  currentTime = 100;
  destination = {};
  resume = (): Promise<void> => Promise.resolve();
  decodeAudioData = (): Promise<object> => Promise.resolve({ duration: 4 });
  createGain = (): object => ({
    gain: { setValueAtTime: () => undefined, setValueCurveAtTime: () => undefined },
    connect: () => undefined,
  });
  createBufferSource = (): object => {
    const source = {
      loop: false,
      connect: (next: object) => next,
      start: (at: number, offset: number, lasts: number) =>
        started.push({ at, offset, lasts, isLooped: source.loop, isStopped: false }),
      stop: () => started.forEach((one) => (one.isStopped = true)),
    };
    return source;
  };
  close = (): Promise<void> => {
    isClosed = true;
    return Promise.resolve();
  };
}
const fetched: string[] = [];
Object.assign(globalThis, {
  AudioContext: TestContext,
  fetch: jest.fn((address: string) => {
    fetched.push(address);
    return address.includes("broken")
      ? Promise.reject(new TypeError("Failed to fetch"))
      : Promise.resolve({ arrayBuffer: () => Promise.resolve(new ArrayBuffer(8)) });
  }),
});
beforeEach(() => {
  started.length = fetched.length = 0;
  isClosed = false;
});
const settled = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

const sound = (id: string): SoundFacts => ({ kind: "sound", id, name: id, length: 4000, loudness: -20, peak: -9 });
const LANES: Lanes = {
  bed: { order: "a0", lane: "music", media: "tune" },
  knock: { order: "a1", lane: "effects", media: "knock", at: millis(3000), from: millis(500), length: millis(800) },
  loop: { order: "a2", lane: "effects", media: "tune", at: millis(5000), loop: true },
};
const mix = (lanes: Lanes = LANES) =>
  mixOf({ lanes }, Object.fromEntries(["tune", "knock", "broken"].map((id) => [id, sound(id)])), {
    plan: ONE_OFFER.sound,
    length: 10_000,
  });

test("each piece is started where it is now, or when its time comes; one that has ended is not; each sound is fetched once", async () => {
  const player = openSoundPlayer(mix(), (id) => `/${id}`);
  player.play(1000);
  await settled();
  expect(started.map(({ at, offset, lasts, isLooped }) => [at, offset, lasts, isLooped])).toEqual([
    [100, 1, 9, false],
    [102, 0.5, 0.8, false],
    [104, 0, 5, true],
  ]);
  expect(fetched.sort()).toEqual(["/knock", "/tune"]);
  started.length = 0;
  player.play(6000);
  await settled();
  // The tune of 4 s is over; the loop is at its second in its first turn.
  expect(started.map(({ at, offset, lasts }) => [at, offset, lasts])).toEqual([[100, 1, 4]]);
});

test("holding stops what is heard, and what was about to start does not", async () => {
  const player = openSoundPlayer(mix(), (id) => `/${id}`);
  player.play(0);
  player.hold();
  await settled();
  expect(started).toEqual([]);
  player.play(0);
  await settled();
  player.close();
  expect(started.every(({ isStopped }) => isStopped)).toBe(true);
  expect(isClosed).toBe(true);
});

test("a sound that can't be fetched is not heard; the others are", async () => {
  const lanes: Lanes = { ...LANES, bad: { order: "a3", lane: "effects", media: "broken" } };
  const player = openSoundPlayer(mix(lanes), (id) => `/${id}`);
  player.play(1000);
  await settled();
  expect(started).toHaveLength(3);
});

test("levels are those of the render: from where it is played to its end, faded as it is there", () => {
  const span = defined(mix({ bed: defined(LANES["bed"]) }).track[0]);
  const curve = levels(span, ticksOf(0));
  expect(curve[0]).toBe(0);
  expect(20 * Math.log10(defined(curve[100]))).toBeCloseTo(6, 5);
  expect(curve.at(-1)).toBe(0);
  expect(20 * Math.log10(defined(levels(span, ticksOf(5000))[0]))).toBeCloseTo(6, 5);
});
