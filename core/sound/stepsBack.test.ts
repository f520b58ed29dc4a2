import { type SoundFacts } from "../document/facts";
import { type SoundPiece } from "../document/lanes";
import { ONE_OFFER } from "../templates/priceDrops";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { AS_MIXED } from "./finish";
import { inOne } from "./finished";
import { heardSamples } from "./heardSamples";
import { mixOf } from "./mix";
import { SAMPLE_RATE, type SoundSamples, sampleAt } from "./samples";
import { type SteppingBack } from "./stepsBack";

/** Music and voice as samples: what is heard of the music is measured beside the voice, by its own frequency. */

const MUSIC_HZ = 1000;
const VOICE_HZ = [400, 600];
const SECONDS = 12;
/** In a window of 5 ms each of these tones has whole waves, so that none is taken for another. */
const WINDOW_MS = 5;
const VOICE = { at: 4000, length: 4000 };

const tones = (hertz: readonly number[], level: number): SoundSamples => {
  const left = Float32Array.from({ length: SECONDS * SAMPLE_RATE }, (_, at) =>
    hertz.reduce((sum, one) => sum + level * Math.sin((2 * Math.PI * one * at) / SAMPLE_RATE), 0),
  );
  return { first: 0, left, right: left };
};
const SAMPLES: Readonly<Record<string, SoundSamples>> = { music: tones([MUSIC_HZ], 0.2), voice: tones(VOICE_HZ, 0.1) };
const sound = (id: string): SoundFacts => ({
  ...{ kind: "sound", id, name: `${id}.wav`, length: SECONDS * 1000, loudness: null, peak: null },
});

/** The level of the music in each window of what is heard. */
function musicHeard(stepsBack: SteppingBack): readonly number[] {
  const still: Pick<SoundPiece, "fadeIn" | "fadeOut"> = { fadeIn: millis(0), fadeOut: millis(0) };
  const lanes: Readonly<Record<string, SoundPiece>> = {
    bed: { order: "a0", lane: "music", media: "music", ...still },
    said: { order: "a1", lane: "voice", media: "voice", at: millis(VOICE.at), length: millis(VOICE.length), ...still },
  };
  const length = SECONDS * 1000;
  const facts = { music: sound("music"), voice: sound("voice") };
  const mix = mixOf({ lanes, scenes: [] }, facts, { plan: ONE_OFFER.sound, length, stepsBack, finish: AS_MIXED });
  const count = sampleAt(ticksOf(length));
  const { left } = inOne(
    heardSamples(mix, (name) => SAMPLES[name.split("/")[0] ?? ""] ?? null, count),
    count,
  ).whole;
  const size = (WINDOW_MS * SAMPLE_RATE) / 1000;
  return Array.from({ length: Math.floor(left.length / size) }, (_, window) => {
    let [cosine, sine] = [0, 0];
    for (let at = window * size; at < (window + 1) * size; at++) {
      cosine += (left[at] ?? 0) * Math.cos((2 * Math.PI * MUSIC_HZ * at) / SAMPLE_RATE);
      sine += (left[at] ?? 0) * Math.sin((2 * Math.PI * MUSIC_HZ * at) / SAMPLE_RATE);
    }
    return (2 * Math.hypot(cosine, sine)) / size;
  });
}

const decibels = (factor: number): number => 20 * Math.log10(factor);
/** Milliseconds that a level takes from a tenth of its way to nine tenths, as for a whole way that is even. */
function takes(levels: readonly number[], from: number, to: number): number {
  const way = (level: number): number => (level - from) / (to - from);
  const first = levels.findIndex((level) => way(level) > 0.1);
  const last = levels.findIndex((level) => way(level) > 0.9);
  return ((last - first) * WINDOW_MS) / 0.8;
}

test.each([
  { depth: 6, attack: 100, release: 300 },
  { depth: 12, attack: 250, release: 600 },
  { depth: 20, attack: 400, release: 1500 },
])("under a voice music is heard $depth dB softer, within $attack ms, and comes back within $release ms", (asked) => {
  const levels = musicHeard(asked);
  const at = (ms: number): number => levels[Math.round(ms / WINDOW_MS)] ?? NaN;
  const [usual, back] = [at(1000), at(VOICE.at + VOICE.length / 2)];
  expect(Math.abs(decibels(back / usual) + asked.depth)).toBeLessThan(1);
  const goes = levels.slice(0, (VOICE.at + 500) / WINDOW_MS);
  expect(Math.abs(takes(goes, usual, back) / asked.attack - 1)).toBeLessThan(0.1);
  const comes = levels.slice((VOICE.at + VOICE.length - 500) / WINDOW_MS);
  expect(Math.abs(takes(comes, back, usual) / asked.release - 1)).toBeLessThan(0.1);
  expect(Math.abs(decibels(at(11_500) / usual))).toBeLessThan(0.1);
});
