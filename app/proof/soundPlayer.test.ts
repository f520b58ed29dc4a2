import { jest } from "@jest/globals";
import { type Mix } from "../../core/sound/mixedPiece";
import { type Stereo } from "../../core/sound/samples";
import { ticksOf } from "../../core/time/ticks";
import { openSoundPlayer } from "./soundPlayer";
import { AS_MIXED } from "../../core/sound/finish";

interface Started {
  /** Seconds into what is heard. */
  readonly into: number;
  isStopped: boolean;
}
const started: Started[] = [];
const outs: {
  channelCount: number;
  channelCountMode: string;
  gain: { value: number };
  connect: (next: object) => object;
}[] = [];
let isClosed = false;
let now = 0;

/** An audio clock, and buffers as long as they were made. */
class TestContext {
  currentTime = 100;
  destination = {};
  resume = (): Promise<void> => Promise.resolve();
  createBuffer = (_: number, length: number, rate: number): object => ({
    duration: length / rate,
    copyToChannel: () => undefined,
  });
  createGain = (): object => {
    outs.push({ channelCount: 0, channelCountMode: "", gain: { value: NaN }, connect: (next: object) => next });
    return outs.at(-1) ?? {};
  };
  createBufferSource = (): object => {
    let mine: Started | null = null;
    return {
      connect: (next: object) => next,
      start: (_at: number, into: number) => started.push((mine = { into, isStopped: false })),
      stop: () => {
        if (mine) mine.isStopped = true;
      },
    };
  };
  close = (): Promise<void> => {
    isClosed = true;
    return Promise.resolve();
  };
}
Object.assign(globalThis, { AudioContext: TestContext });
performance.now = () => now;
beforeEach(() => {
  started.length = 0;
  isClosed = false;
  now = 5000;
});
const settled = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

const piece = { sound: "s", position: 0, speed: 1, used: { from: 0, to: null }, isLooped: false, levels: [] };
const tenSeconds: Mix = {
  track: [{ from: ticksOf(0), to: ticksOf(10_000), what: piece }],
  length: 10_000,
  finish: AS_MIXED,
};
const silence: Mix = { track: [], length: 10_000, finish: AS_MIXED };

/** A player, and a way to have what it asked for mixed. */
function player(later = 0) {
  const asked: ((mixed: Stereo | null) => void)[] = [];
  let isMixerClosed = false;
  const mixer = {
    mixed: () => new Promise<Stereo | null>((resolve) => asked.push(resolve)),
    close: () => (isMixerClosed = true),
  };
  const answer = async (at: number, seconds = 10): Promise<void> => {
    const channel = new Float32Array(seconds * 48_000);
    asked[at]?.({ left: channel, right: channel });
    await settled();
  };
  return { ...openSoundPlayer(mixer, later), asked, answer, isMixerClosed: () => isMixerClosed };
}

test("it is heard from where it is played, and stops where it is held", async () => {
  const sound = player();
  sound.load(tenSeconds);
  await sound.answer(0);
  expect(started).toEqual([]);
  sound.play(3000);
  await settled();
  expect(started).toEqual([{ into: 3, isStopped: false }]);
  sound.hold();
  expect(started[0]?.isStopped).toBe(true);
  sound.play(10_500);
  await settled();
  expect(started).toHaveLength(1);
});

test("as from one speaker, all goes through one channel, whether it was asked for before or while it plays", async () => {
  const sound = player();
  sound.setOutput({ isMono: true, isSilent: false });
  sound.load(tenSeconds);
  await sound.answer(0);
  expect(outs.at(-1)).toMatchObject({ channelCount: 1, channelCountMode: "explicit", gain: { value: 1 } });
  sound.play(0);
  sound.setOutput({ isMono: false, isSilent: false });
  expect(outs.at(-1)).toMatchObject({ channelCount: 2, gain: { value: 1 } });
  // Silent it goes on all the same, so that it is heard from where it is when it is no more.
  sound.setOutput({ isMono: false, isSilent: true });
  expect(outs.at(-1)?.gain.value).toBe(0);
});

test("what is mixed while it plays is heard from where it is by then", async () => {
  const sound = player();
  sound.play(1000);
  sound.load(tenSeconds);
  now += 700;
  await sound.answer(0);
  expect(started).toEqual([{ into: 1.7, isStopped: false }]);
  sound.load(tenSeconds);
  now += 300;
  await sound.answer(1);
  expect(started).toEqual([
    { into: 1.7, isStopped: true },
    { into: 2, isStopped: false },
  ]);
});

test("of two mixes the later one counts, in whatever order they come; silence is asked of nobody", async () => {
  const sound = player();
  sound.play(0);
  sound.load(tenSeconds);
  sound.load(tenSeconds);
  await sound.answer(1);
  await sound.answer(0, 2);
  expect(started).toHaveLength(1);
  sound.load(silence);
  await settled();
  expect(sound.asked).toHaveLength(2);
  expect(started[0]?.isStopped).toBe(true);
});

test("what is only looked at is mixed a little later; what is played, at once; a desk that is left asks for nothing", () => {
  jest.useFakeTimers();
  try {
    const sound = player(1500);
    sound.load(tenSeconds);
    sound.load(tenSeconds);
    jest.advanceTimersByTime(1400);
    expect(sound.asked).toHaveLength(0);
    jest.advanceTimersByTime(200);
    expect(sound.asked).toHaveLength(1);
    sound.load(tenSeconds);
    sound.play(0);
    expect(sound.asked).toHaveLength(2);
    sound.hold();
    sound.load(tenSeconds);
    sound.close();
    jest.advanceTimersByTime(5000);
    expect(sound.asked).toHaveLength(2);
  } finally {
    jest.useRealTimers();
  }
});

test("while somebody is at something else it waits anew, but never for what is played; what was mixed is not asked for again", () => {
  jest.useFakeTimers();
  try {
    const sound = player(1500);
    sound.wait();
    jest.advanceTimersByTime(5000);
    expect(sound.asked).toHaveLength(0);
    sound.load(tenSeconds);
    for (let key = 0; key < 10; key++) {
      jest.advanceTimersByTime(1000);
      sound.wait();
    }
    expect(sound.asked).toHaveLength(0);
    jest.advanceTimersByTime(1600);
    expect(sound.asked).toHaveLength(1);
    sound.wait();
    jest.advanceTimersByTime(5000);
    expect(sound.asked).toHaveLength(1);
    sound.load(tenSeconds);
    sound.play(0);
    expect(sound.asked).toHaveLength(2);
  } finally {
    jest.useRealTimers();
  }
});

test("held before it could begin, it does not; closed, all is let go", async () => {
  const sound = player();
  sound.load(tenSeconds);
  await sound.answer(0);
  sound.play(0);
  sound.hold();
  await settled();
  expect(started).toEqual([]);
  sound.close();
  expect([sound.isMixerClosed(), isClosed]).toEqual([true, true]);
});
