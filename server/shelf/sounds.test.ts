import { beatsOf } from "../../core/sound/beats";
import { partOf } from "../../core/testing/sample";
import { EFFECTS, type EffectName } from "./effects";
import { seeded } from "./random";
import { SHELF } from "./shelfItems";
import { TUNES, playTune } from "./tunes";
import { SAMPLE_RATE, type Stereo, bass, pad, pluck, silence, tap, wavFile } from "./synth";

const peakOf = ({ left, right }: Stereo): number =>
  Math.max(...[left, right].map((channel) => channel.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0)));
const isSound = ({ left, right }: Stereo): boolean => [left, right].every((channel) => channel.every(Number.isFinite));

/** How loud a pure tone is in a channel: the Goertzel algorithm (1958), as a share of the channel's own energy. */
function share(channel: Float32Array, hertz: number): number {
  const turn = 2 * Math.cos((2 * Math.PI * hertz) / SAMPLE_RATE);
  let [last, before, energy] = [0, 0, 0];
  for (const sample of channel) {
    [last, before] = [sample + turn * last - before, last];
    energy += sample * sample;
  }
  return (last * last + before * before - turn * last * before) / (energy * channel.length);
}

const DRAWN = partOf(TUNES, 2).map((tune) => ({ ...tune, played: playTune(tune, 5) }));

test.each(DRAWN)("$name goes at the tempo it is written in, and its beats are found", ({ played, beatsAMinute }) => {
  const found = beatsOf(played);
  expect(Math.abs((found?.tempo ?? 0) / beatsAMinute - 1)).toBeLessThan(0.01);
  const beat = 60_000 / beatsAMinute;
  const off = (found?.times ?? []).map((time) => Math.abs(((time + beat / 2) % beat) - beat / 2));
  expect(off.length).toBeGreaterThan(45);
  expect(off.filter((ms) => ms <= 40).length / off.length).toBeGreaterThanOrEqual(0.9);
});

test.each(DRAWN)("$name lasts 30 to 60 s and begins again at its end without a seam", ({ played: { left, right } }) => {
  expect(left.length / SAMPLE_RATE).toBeGreaterThanOrEqual(30);
  expect(left.length / SAMPLE_RATE).toBeLessThanOrEqual(60);
  for (const channel of [left, right]) {
    // What jumps is heard as a click: from the end to the beginning it jumps no farther than in the tune itself.
    const jumps = channel.map((sample, at) => Math.abs(sample - (channel[at - 1] ?? channel.at(-1) ?? 0)));
    const inside = jumps.subarray(1).reduce((most, jump) => Math.max(most, jump), 0);
    expect(jumps[0]).toBeLessThanOrEqual(inside);
    // Nor is it silent there: what rings after the last bar rings on over the first.
    const power = (from: number): number =>
      channel.subarray(from, from + SAMPLE_RATE / 50).reduce((sum, sample) => sum + sample * sample, 0);
    expect(power(0)).toBeGreaterThan(power(channel.length - SAMPLE_RATE / 50) / 100);
  }
});

test("there are twelve tunes and twenty effects at least, each on the shelf", () => {
  expect(TUNES.length).toBeGreaterThanOrEqual(12);
  expect(Object.keys(EFFECTS).length).toBeGreaterThanOrEqual(20);
  const named: string[] = SHELF.flatMap(({ recipe }) => {
    if (recipe.kind === "tune") return [recipe.tune];
    return recipe.kind === "effect" ? [recipe.effect] : [];
  });
  expect([...TUNES.map(({ name }) => name), ...Object.keys(EFFECTS)].filter((one) => !named.includes(one))).toEqual([]);
});

/** MIDI note 69 is 440 Hz (MIDI 1.0); an octave is twelve notes and doubles it. */
test.each([
  ["a plucked string", 69, 440, (track: Stereo, note: number) => pluck(track, 0, note, 1, 0.5, 0, seeded(3))],
  ["a pad", 69, 440, (track: Stereo, note: number) => pad(track, 0, note, 1, 0.5, 0)],
  ["a bass", 45, 110, (track: Stereo, note: number) => bass(track, 0, note, 1, 0.5)],
])("%s sounds at the pitch of its note", (_, note, hertz, play) => {
  const track = silence(1);
  play(track, note);
  const [own, half, between] = [hertz, hertz * 2 ** (-6 / 12), hertz * 2 ** (1.5 / 12)].map((one) =>
    share(track.left, one),
  );
  expect(own).toBeGreaterThan(10 * (half ?? 1));
  expect(own).toBeGreaterThan(5 * (between ?? 1));
});

test("a tap is short, and a sound that is panned left is louder there", () => {
  const track = silence(1);
  tap(track, 0, 0.5, 0.8, -1, seeded(4));
  const loudness = (channel: Float32Array): number => channel.reduce((sum, sample) => sum + sample * sample, 0);
  expect(loudness(track.left)).toBeGreaterThan(100 * loudness(track.right));
  expect(loudness(track.left.subarray(SAMPLE_RATE / 2))).toBeLessThan(0.01 * loudness(track.left));
});

test("what is played past the end is cut off, without a fault", () => {
  const track = silence(0.2);
  pluck(track, 0.15, 60, 2, 0.5, 0, seeded(5));
  expect(track.left.length).toBe(0.2 * SAMPLE_RATE);
  expect(isSound(track)).toBe(true);
});

test.each(partOf(Object.keys(EFFECTS) as EffectName[], 7))(
  "the effect %s can be heard, does not clip, and is the same again",
  (name) => {
    const [one, again, other] = [7, 7, 8].map((seed) => EFFECTS[name](seeded(seed)));
    if (!one || !again || !other) throw new Error("Nothing was played.");
    expect(isSound(one)).toBe(true);
    expect(peakOf(one)).toBeGreaterThan(0.05);
    expect(peakOf(one)).toBeLessThanOrEqual(1);
    expect(Buffer.from(wavFile(one)).equals(wavFile(again))).toBe(true);
    expect(one.left.length / SAMPLE_RATE).toBeLessThan(5);
  },
);

/** The header as "Multimedia Programming Interface and Data Specifications 1.0" (1991) lays it out. */
test("a WAV file says what it holds: two channels of 16 bits at 48 kHz, how long they are; its peak is brought to −3 dBFS", () => {
  const track = silence(0.5);
  track.left.fill(0.5);
  track.right.fill(-1);
  const file = wavFile(track);
  expect([file.toString("latin1", 0, 4), file.toString("latin1", 8, 16)]).toEqual(["RIFF", "WAVEfmt "]);
  expect(file.readUInt32LE(4)).toBe(file.length - 8);
  expect([file.readUInt16LE(20), file.readUInt16LE(22), file.readUInt32LE(24), file.readUInt16LE(34)]).toEqual([
    1,
    2,
    SAMPLE_RATE,
    16,
  ]);
  const data = file.indexOf("data");
  expect(file.readUInt32LE(data + 4)).toBe(0.5 * SAMPLE_RATE * 4);
  // The loudest sample stands at −3 dBFS; half of it is 6.02 dB lower.
  const decibels = (at: number): number => 20 * Math.log10(Math.abs(file.readInt16LE(data + at)) / 32768);
  expect(decibels(10)).toBeCloseTo(-3, 1);
  expect(decibels(10) - decibels(8)).toBeCloseTo(6.02, 1);
  expect(Math.sign(file.readInt16LE(data + 8))).toBe(1);
  expect(Math.sign(file.readInt16LE(data + 10))).toBe(-1);
});
