import { ONE_OFFER } from "../templates/priceDrops";
import { type SoundFacts } from "../document/facts";
import { type Lanes, type SoundPiece, tuneLanes } from "../document/lanes";
import { defined } from "../testing/defined";
import { ticksOf } from "../time/ticks";
import { millis } from "../units";
import { mixOf } from "./mix";
import { type MixedPiece, levelAt } from "./mixedPiece";

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
  mixOf({ lanes, scenes: [] }, { t: sound }, { plan: ONE_OFFER.sound, length }).track;
const only = (length: number, sound = tune()): MixedPiece => defined(mixed(tuneLanes("t"), length, sound)[0]).what;
const piece = (change: Partial<SoundPiece>): SoundPiece => ({ order: "a0", lane: "effects", media: "t", ...change });

const gainOf = ({ levels }: MixedPiece): number => 20 * Math.log10(Math.max(...levels.map(({ level }) => level)));

test("a tune is brought to the wanted loudness", () => expect(gainOf(only(15_000))).toBeCloseTo(6));

test("but never so far that its peaks pass −1 dBTP", () =>
  expect(gainOf(only(15_000, tune({ peak: -3 })))).toBeCloseTo(2));

test("silence is left as it is", () => expect(gainOf(only(15_000, tune({ loudness: null, peak: null })))).toBe(0));

test("fades are shortened together when the promotion is shorter than both", () => {
  const { levels } = only(1000);
  expect(levels).toHaveLength(4);
  expect(levels[1]?.at).toBeCloseTo(levels[2]?.at ?? 0);
  expect(levels[3]?.at).toBe(48_000);
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
