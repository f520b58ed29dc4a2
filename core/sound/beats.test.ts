import { randomFrom } from "../testing/randomFrom";
import { partOf } from "../testing/sample";
import { beatsOf } from "./beats";
import { SAMPLE_RATE, type Stereo } from "./samples";

/** What a made-up tune has on its beats, between them, and under both. */
interface Style {
  readonly name: string;
  /** Whether a low drum is on every beat, or on the first and third of four. */
  readonly drum: "each" | "first and third" | "none";
  /** Light taps half way between the beats, beside drums of 1. */
  readonly between: number;
  /** A chord that changes every four beats. */
  readonly chords: boolean;
  readonly noise: number;
}
const STYLES: readonly Style[] = [
  { name: "drum on each beat, taps between", drum: "each", between: 0.25, chords: true, noise: 0.004 },
  {
    name: "drum on first and third, snare between them",
    drum: "first and third",
    between: 0.15,
    chords: false,
    noise: 0.01,
  },
  { name: "plucked chords alone", drum: "none", between: 0, chords: true, noise: 0.002 },
];

/** Twenty seconds of a tune whose beats are known. @param start of the first, in seconds */
function tune(tempo: number, style: Style, { start, seed }: { readonly start: number; readonly seed: number }): Stereo {
  const random = randomFrom(seed);
  const seconds = 20;
  const wave = new Float32Array(seconds * SAMPLE_RATE).map(() => (random() - 0.5) * 2 * style.noise);
  const beat = 60 / tempo;
  const add = (at: number, lasts: number, sample: (time: number) => number): void => {
    const from = Math.round(at * SAMPLE_RATE);
    for (let index = 0; index < lasts * SAMPLE_RATE && from + index < wave.length; index++)
      wave[from + index] = (wave[from + index] ?? 0) + sample(index / SAMPLE_RATE);
  };
  const drum = (at: number): void =>
    add(at, 0.25, (time) => 0.7 * Math.exp(-time * 18) * Math.sin(2 * Math.PI * 60 * time));
  const tap = (at: number, gain: number): void =>
    add(at, 0.06, (time) => gain * Math.exp(-time * 90) * (random() * 2 - 1));
  for (let count = 0; start + count * beat < seconds - 0.3; count++) {
    const at = start + count * beat;
    if (style.drum === "each" || (style.drum === "first and third" && count % 2 === 0)) drum(at);
    if (style.drum === "first and third" && count % 2 === 1) tap(at, 0.5);
    if (style.between > 0) tap(at + beat / 2, style.between);
    if (style.drum === "none" || (style.chords && count % 4 === 0)) {
      const root = [220, 196, 247, 165][Math.floor(count / 4) % 4] ?? 220;
      for (const ratio of [1, 1.26, 1.5])
        add(at, beat * 1.5, (time) => 0.18 * Math.exp(-time * 5) * Math.sin(2 * Math.PI * root * ratio * time));
    }
  }
  return { left: wave, right: wave };
}

const TEMPOS = [70, 76, 83, 90, 97, 104, 112, 120, 128, 137, 145, 154, 162, 170];
test.each(STYLES.flatMap((style) => partOf(TEMPOS, 2).map((tempo) => ({ ...style, tempo }))))(
  "$name at $tempo a minute: the tempo to 1 %, nine beats of ten to 40 ms",
  ({ tempo, ...style }) => {
    const start = 0.3 + (tempo % 7) / 20;
    const found = beatsOf(tune(tempo, style, { start, seed: tempo }));
    expect(Math.abs((found?.tempo ?? 0) / tempo - 1)).toBeLessThan(0.01);
    const beat = 60_000 / tempo;
    const known = Array.from(
      { length: Math.floor((19_700 - start * 1000) / beat) },
      (_, count) => start * 1000 + count * beat,
    );
    const met = known.filter((time) => found?.times.some((one) => Math.abs(one - time) <= 40));
    expect(met.length / known.length).toBeGreaterThanOrEqual(0.9);
    // And hardly any that are none.
    const strays =
      found?.times.filter((time) => time > start * 1000 - 40 && !known.some((one) => Math.abs(one - time) <= 40)) ?? [];
    expect(strays.length).toBeLessThanOrEqual(2);
  },
);

test("silence, and what is too short, has no beat", () => {
  const quiet = new Float32Array(10 * SAMPLE_RATE);
  expect(beatsOf({ left: quiet, right: quiet })).toBeNull();
  const short = tune(100, STYLES[0] as Style, { start: 0.2, seed: 1 });
  expect(beatsOf({ left: short.left.slice(0, SAMPLE_RATE), right: short.right.slice(0, SAMPLE_RATE) })).toBeNull();
});
