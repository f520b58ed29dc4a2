import { STAYING, type SteppingBack } from "./stepsBack";
import { type Span } from "../time/tracks";
import { ONE_OFFER } from "../templates/priceDrops";
import { type SoundFacts } from "../document/facts";
import { type Lanes, type SoundPiece, tuneLanes } from "../document/lanes";
import { defined } from "../testing/defined";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { mixOf } from "./mix";
import { type MixedPiece, levelAt } from "./mixedPiece";
import { AS_MIXED } from "./finish";

const tune = (change: Partial<SoundFacts> = {}): SoundFacts => ({
  kind: "sound",
  id: "t",
  name: "tune.wav",
  length: 30_000,
  loudness: -20,
  peak: -9,
  ...change,
});
const mixed = (lanes: Lanes, length: number, sound = tune()) =>
  mixOf({ lanes, scenes: [] }, { t: sound }, { plan: ONE_OFFER.sound, length, stepsBack: STAYING, finish: AS_MIXED })
    .track;
const only = (length: number, sound = tune()): MixedPiece => defined(mixed(tuneLanes("t"), length, sound)[0]).what;
const piece = (change: Partial<SoundPiece>): SoundPiece => ({ order: "a0", lane: "effects", media: "t", ...change });

const gainOf = ({ levels }: MixedPiece): number => 20 * Math.log10(Math.max(...levels.map(({ level }) => level)));

test("a tune is brought to the wanted loudness", () => expect(gainOf(only(15_000))).toBeCloseTo(6));

test("but never so far that its peaks pass −1 dBTP", () =>
  expect(gainOf(only(15_000, tune({ peak: -3 })))).toBeCloseTo(2));

test("silence is left as it is", () => expect(gainOf(only(15_000, tune({ loudness: null, peak: null })))).toBe(0));

test("fades are shortened together when the promotion is shorter than both", () => {
  const { levels } = only(1000);
  // From silence to where both meet, and back to silence.
  expect(levels).toHaveLength(3);
  expect([levels[0]?.level, levels[2]?.level]).toEqual([0, 0]);
  expect(levels[2]?.at).toBe(48_000);
});

test("the level rises from silence, stands, and falls to silence", () => {
  const span = defined(mixed(tuneLanes("t"), 15_000)[0]);
  const level = (ms: number): number => levelAt(span, ticksOf(ms));
  expect(level(0)).toBe(0);
  expect(level(500)).toBeCloseTo(level(7000) / 2);
  expect(20 * Math.log10(level(7000))).toBeCloseTo(6);
  expect([level(15_000), level(15_001)]).toEqual([0, 0]);
});

test("any number of pieces are heard, each in its time, from where it is taken, as loud as it is set", () => {
  const lanes = {
    bed: piece({ order: "a1", lane: "music" }),
    knock: piece({ order: "a0", at: millis(2000), from: millis(400), length: millis(700), gain: -6 }),
    late: piece({ order: "a2", at: millis(14_000), length: millis(5000), loop: true }),
    gone: piece({ order: "a3", media: "not-there" }),
    after: piece({ order: "a4", at: millis(20_000) }),
  };
  const track = mixed(lanes, 15_000);
  expect(track.map(({ from, to }) => [from, to])).toEqual([
    [ticksOf(2000), ticksOf(2700)],
    [0, ticksOf(15_000)],
    [ticksOf(14_000), ticksOf(15_000)],
  ]);
  expect(track.map(({ what }) => [what.position, what.isLooped, Math.round(gainOf(what))])).toEqual([
    [400 * 48, false, 0],
    [0, false, 6],
    [0, true, 6],
  ]);
  // An effect without fades of its own begins and ends at full level.
  expect(levelAt(defined(track[0]), ticksOf(2000))).toBe(1);
});

const decibels = (level: number): number => 20 * Math.log10(level);
/** A voice of 4 s from 5 s on, over music of the same loudness. */
const spoken = (voice: Partial<SoundPiece>, stepsBack: SteppingBack): Span<MixedPiece> => {
  const lanes = {
    bed: piece({ lane: "music", fadeIn: millis(0), fadeOut: millis(0) }),
    voice: piece({ lane: "voice", ...voice }),
  };
  const { track } = mixOf(
    { lanes, scenes: [] },
    { t: tune() },
    { plan: ONE_OFFER.sound, length: 15_000, stepsBack, finish: AS_MIXED },
  );
  return defined(track.find(({ from }) => from === 0));
};

test("music steps back before a voice is heard and comes forward when it has ended, as deep and quickly as it is set", () => {
  const bed = spoken({ at: millis(5000), length: millis(4000) }, { depth: 12, attack: 250, release: 600 });
  const at = (ms: number): number => decibels(levelAt(bed, ticksOf(ms))) - 6;
  expect(
    [at(4700), at(5000), at(7000), at(9000), at(9600), at(12_000)].map((one) => Number(one.toFixed(3)) + 0),
  ).toEqual([0, -12, -12, -12, 0, 0]);
  // Half way it has half of its way, in amplitude.
  expect(levelAt(bed, ticksOf(4875)) / levelAt(bed, ticksOf(4000))).toBeCloseTo((1 + 10 ** (-12 / 20)) / 2);
  expect(levelAt(bed, ticksOf(9300)) / levelAt(bed, ticksOf(4000))).toBeCloseTo((1 + 10 ** (-12 / 20)) / 2);
});

test("a voice that is muted, that has ended, or that music is not to make room for, changes nothing", () => {
  const still = { depth: 12, attack: 250, release: 600 };
  for (const bed of [
    spoken({ at: millis(5000), length: millis(4000), muted: true }, still),
    spoken({ at: millis(5000), length: millis(4000) }, { ...still, depth: 0 }),
    // The sound has 30 s: nothing is left of it.
    spoken({ at: millis(5000), from: millis(30_000), length: millis(4000) }, still),
  ])
    expect(levelAt(bed, ticksOf(7000))).toBeCloseTo(levelAt(bed, ticksOf(1000)));
});

test("between two sentences music stays back unless there is time to come and go", () => {
  const sentence = (at: number): SoundPiece => piece({ lane: "voice", at: millis(at), length: millis(1000) });
  const bedWith = (second: number): Span<MixedPiece> => {
    const lanes = { bed: piece({ lane: "music" }), one: sentence(2000), two: sentence(second) };
    const stepsBack = { depth: 10, attack: 200, release: 400 };
    const { track } = mixOf(
      { lanes, scenes: [] },
      { t: tune() },
      { plan: ONE_OFFER.sound, length: 15_000, stepsBack, finish: AS_MIXED },
    );
    return defined(track.find(({ from }) => from === 0));
  };
  const between = (second: number, ms: number): number => {
    const bed = bedWith(second);
    return decibels(levelAt(bed, ticksOf(ms)) / levelAt(bed, ticksOf(8000)));
  };
  expect(between(3500, 3250)).toBeCloseTo(-10);
  expect(between(5000, 4500)).toBeCloseTo(0);
});

test("two pieces that fade over each other at equal power are as strong together as one, within a tenth of a decibel", () => {
  const fade = { lane: "effects", curve: "equal power" } as const;
  const lanes = {
    first: piece({ ...fade, length: millis(5000), fadeOut: millis(2000) }),
    second: piece({ ...fade, at: millis(3000), length: millis(5000), fadeIn: millis(2000) }),
  };
  const [first, second] = mixed(lanes, 15_000).map((span) => defined(span));
  for (let ms = 3000; ms <= 5000; ms += 50) {
    const power = levelAt(defined(first), ticksOf(ms)) ** 2 + levelAt(defined(second), ticksOf(ms)) ** 2;
    expect(Math.abs(10 * Math.log10(power / levelAt(defined(first), ticksOf(1000)) ** 2))).toBeLessThan(0.1);
  }
});

test("points of level are met, with straight lines between them, on top of gain and fades", () => {
  const points = [
    { at: millis(1000), gain: 0 },
    { at: millis(2000), gain: -20 },
    { at: millis(4000), gain: -20 },
  ];
  const [span] = mixed({ one: piece({ length: millis(8000), gain: -6, points }) }, 15_000);
  const at = (ms: number): number => levelAt(defined(span), ticksOf(ms)) / levelAt(defined(span), ticksOf(500));
  expect([at(1000), at(2000), at(3000), at(7000)].map((level) => decibels(level))).toEqual([
    expect.closeTo(0),
    expect.closeTo(-20),
    expect.closeTo(-20),
    expect.closeTo(-20),
  ]);
  expect(at(1500)).toBeCloseTo(0.55);
  expect(mixed({ one: piece({ muted: true }) }, 15_000)).toEqual([]);
});
