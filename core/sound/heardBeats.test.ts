import { ticksOf } from "../time/ticks";
import { heardBeats } from "./heardBeats";
import { type MixedPiece } from "./mixedPiece";
import { samplesIn } from "./samples";
import { AS_MIXED } from "./finish";

const piece = (change: Partial<MixedPiece> = {}): MixedPiece => ({
  sound: "tune",
  position: 0,
  speed: 1,
  used: { from: 0, to: null },
  isLooped: false,
  levels: [],
  ...change,
});
const BEATS = { tempo: 120, times: [100, 600, 1100, 1600] };
const heard = (what: MixedPiece, from = 0, to = 10_000) =>
  heardBeats(
    { track: [{ from: ticksOf(from), to: ticksOf(to), what }], length: 10_000, finish: AS_MIXED },
    { sound: "tune", beats: BEATS, lasts: 2000 },
  );

test("beats are heard where the tune is: later where it begins later, sooner where its beginning is left out", () => {
  expect(heard(piece())).toEqual([100, 600, 1100, 1600]);
  expect(heard(piece(), 1000, 2300)).toEqual([1100, 1600, 2100]);
  expect(heard(piece({ position: samplesIn(500) }))).toEqual([100, 600, 1100]);
});

test("a tune that begins again has its beats again; one at another speed, or another sound, has none", () => {
  expect(heard(piece({ isLooped: true }), 0, 4500)).toEqual([100, 600, 1100, 1600, 2100, 2600, 3100, 3600, 4100]);
  expect(heard(piece({ speed: 1.5 }))).toEqual([]);
  expect(heard(piece({ sound: "other" }))).toEqual([]);
});
