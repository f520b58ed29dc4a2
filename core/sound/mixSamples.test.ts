import fc from "fast-check";
import { ticksOf } from "../time/ticks";
import { type Mix, type MixedPiece } from "./mixedPiece";
import { mixSamples, neededSamples } from "./mixSamples";
import { SAMPLE_RATE, type SoundSamples, type Stereo, readSamples } from "./samples";
import { AS_MIXED } from "./finish";

/** A sound whose samples say where they are: 0, 0.001, 0.002 … on the left, as many below nothing on the right. */
function counting(first: number, count: number): SoundSamples {
  const left = Float32Array.from({ length: count }, (_, at) => (first + at) / 1000);
  return { first, left, right: left.map((value) => -value) };
}
const piece = (change: Partial<MixedPiece> = {}): MixedPiece => ({
  sound: "s",
  position: 0,
  speed: 1,
  used: { from: 0, to: null },
  isLooped: false,
  levels: [
    { at: 0, level: 1 },
    { at: 10_000_000, level: 1 },
  ],
  ...change,
});
/** Times in samples. */
const span = (from: number, to: number, what: MixedPiece) => ({ from: ticksOf(from / 48), to: ticksOf(to / 48), what });
const mix = (...track: Mix["track"]): Mix => ({ track, length: 1000, finish: AS_MIXED });

function heard(of: Mix, count: number, sounds: Readonly<Record<string, SoundSamples>> = { s: counting(0, 100) }) {
  const blocks = [...mixSamples(of, (name) => sounds[name.replace(/\/samples$/, "")] ?? null, count)];
  const channel = (side: "left" | "right"): number[] => blocks.flatMap((block) => Array.from(block[side]));
  // Thousandths.
  return { left: channel("left").map(rounded), right: channel("right").map(rounded) };
}
const rounded = (value: number): number => Math.round(value * 1e6) / 1000 + 0;

test("a piece lies where it was put, to the sample, and silence is around it", () => {
  expect(heard(mix(span(3, 6, piece({ position: 20 }))), 8)).toEqual({
    left: [0, 0, 0, 20, 21, 22, 0, 0],
    right: [0, 0, 0, -20, -21, -22, 0, 0],
  });
});

test("pieces that lie over each other add up, each at its level, which changes evenly from point to point", () => {
  const rising = piece({
    position: 10,
    levels: [
      { at: 0, level: 0 },
      { at: 2, level: 1 },
      { at: 4, level: 0.5 },
    ],
  });
  expect(heard(mix(span(0, 4, rising)), 5).left).toEqual([0, 5.5, 12, 9.75, 0]);
  const half = piece({ position: 50, levels: [{ at: 0, level: 0.5 }, { at: 9, level: 0.5 }] }); // prettier-ignore
  expect(heard(mix(span(0, 4, rising), span(2, 4, half)), 4).left).toEqual([0, 5.5, 37, 35.25]);
});

test("what is used of a sound ends in silence, or begins again", () => {
  const used = { from: 5, to: 8 };
  expect(heard(mix(span(0, 6, piece({ position: 6, used }))), 6).left).toEqual([6, 7, 0, 0, 0, 0]);
  const looped = piece({ position: 6, used, isLooped: true });
  expect(heard(mix(span(0, 6, looped)), 6).left).toEqual([6, 7, 5, 6, 7, 5]);
  // A sound that ends sooner than was thought is looped at its own end.
  const short = { s: counting(0, 3) };
  const all = piece({ isLooped: true });
  expect(heard(mix(span(0, 5, all)), 5, short).left).toEqual([0, 1, 2, 0, 1]);
});

/** A second of a tone. */
const tone = (hertz: number): SoundSamples => {
  const left = Float32Array.from(
    { length: SAMPLE_RATE },
    (_, at) => 0.5 * Math.sin((2 * Math.PI * hertz * at) / SAMPLE_RATE),
  );
  return { first: 0, left, right: left.map((value) => -value) };
};
function heardTwice(sound: SoundSamples): Stereo[] {
  const twice = span(0, 2 * SAMPLE_RATE, piece({ isLooped: true }));
  return [...mixSamples(mix(twice), () => sound, 2 * SAMPLE_RATE)];
}
/** The widest step from one sample to the next within so many samples around the moment at which it begins again. */
function widestStep(blocks: readonly Stereo[], side: "left" | "right", around: number): number {
  const all = blocks.flatMap((block) => Array.from(block[side]));
  const steps = all.slice(1).map((value, at) => Math.abs(value - (all[at] ?? 0)));
  return Math.max(...steps.slice(SAMPLE_RATE - around, SAMPLE_RATE + around));
}

test("a sound that ends elsewhere than it begins is looped without a click, and one that was made to be looped is as it was", () => {
  // It ends at its crest: without a seam it would fall by half the range from one sample to the next.
  const broken = heardTwice(tone(440.25));
  const step = 0.5 * ((2 * Math.PI * 440.25) / SAMPLE_RATE);
  for (const side of ["left", "right"] as const) expect(widestStep(broken, side, 500)).toBeLessThan(step * 1.2);
  // 5 ms after, all is as it is in the sound.
  const second = broken[1]?.left.subarray(SAMPLE_RATE / 200) ?? new Float32Array();
  expect(second).toEqual(tone(440.25).left.subarray(SAMPLE_RATE / 200));

  const whole = heardTwice(tone(440));
  expect(whole[1]?.left).toEqual(whole[0]?.left);
});

test("at another speed samples between samples are heard, and backwards they come in turn", () => {
  expect(heard(mix(span(0, 4, piece({ position: 10, speed: 0.5 }))), 4).left).toEqual([10, 10.5, 11, 11.5]);
  expect(heard(mix(span(0, 3, piece({ position: 10, speed: 8 }))), 3).left).toEqual([10, 18, 26]);
  expect(heard(mix(span(0, 4, piece({ position: 2, speed: -1 }))), 4).left).toEqual([2, 1, 0, 0]);
});

test("what is needed of each sound is enough: with no more than that, the same is heard", () => {
  const pieces = fc.record({
    at: fc.nat(2000),
    lasts: fc.integer({ min: 1, max: 3000 }),
    position: fc.integer({ min: 1000, max: 3000 }),
    speed: fc.constantFrom(-2, -1, 0.25, 0.7, 1, 3),
    isLooped: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(pieces, { minLength: 1, maxLength: 4 }), (all) => {
      const track = all.map(({ at, lasts, position, speed, isLooped }) =>
        span(at, at + lasts, piece({ position, speed, isLooped, used: { from: 500, to: 4000 } })),
      );
      const needed = neededSamples(mix(...track)).get("s/samples");
      const end = Math.min(5000, needed?.to ?? 5000);
      const least = counting(needed?.from ?? 0, end - (needed?.from ?? 0));
      const whole = heard(mix(...track), 6000, { s: counting(0, 5000) });
      expect(heard(mix(...track), 6000, { s: least })).toEqual(whole);
    }),
    { numRuns: 60 },
  );
});

test("a sound that can't be had is not heard; the others are, across the seconds they are mixed in", () => {
  const late = span(SAMPLE_RATE - 1, SAMPLE_RATE + 2, piece({ position: 40 }));
  const { left } = heard(mix(span(0, 5, piece({ sound: "gone" })), late), SAMPLE_RATE + 3);
  expect(left).toHaveLength(SAMPLE_RATE + 3);
  expect(left.slice(0, 5)).toEqual([0, 0, 0, 0, 0]);
  expect(left.slice(-5)).toEqual([0, 40, 41, 42, 0]);
});

test("kept samples are read as they are: signed, little-endian, left before right, and no half of one", () => {
  const bytes = Uint8Array.from([0, 0, 0, 128, 255, 127, 0, 64, 1]);
  const { first, left, right } = readSamples(bytes, 7);
  expect([first, ...left, ...right]).toEqual([7, 0, 32767 / 32768, -1, 0.5]);
});

test("a piece that gets faster is read further apart with each sample, and all it passes is asked for", () => {
  const faster = piece({ position: 10, speed: 1, speedsUp: 1 });
  const track = [span(0, 5, faster)];
  // 10, then 1, 2, 3, 4 samples and halves on: n + n² / 2.
  expect(heard(mix(...track), 5).left).toEqual([10, 11.5, 14, 17.5, 22]);
  expect(neededSamples(mix(...track)).get("s/samples")).toMatchObject({ from: 10, to: 29 });
});

test("a sound that is made faster is another one than the sound itself", () => {
  const needed = neededSamples(mix(span(0, 4, piece()), span(0, 4, piece({ tempo: 0.5, position: 7 }))));
  expect([...needed.keys()]).toEqual(["s/samples", "s/samples-x0.5"]);
  expect(needed.get("s/samples-x0.5")?.version).toEqual({ sound: "s", tempo: 0.5 });
  const both = { s: counting(0, 100), "s/samples-x0.5": counting(50, 100) };
  expect(heard(mix(span(0, 2, piece()), span(2, 4, piece({ tempo: 0.5, position: 60 }))), 4, both).left).toEqual([
    0, 1, 60, 61,
  ]);
});
