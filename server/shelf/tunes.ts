import { ENSEMBLES, type EnsembleName } from "./ensembles";
import { seeded } from "./random";
import { SAMPLE_RATE, type Stereo, room, silence } from "./synth";

/** A tune: chords of a bar each, and how they are played. */
interface Score {
  readonly name: string;
  readonly beatsAMinute: number;
  /** Four, unless it says otherwise. */
  readonly beatsABar?: number;
  /** Picked strings over a bass and light taps, unless it says otherwise. */
  readonly playedBy?: EnsembleName;
  /** MIDI notes from the root up, one chord a bar. */
  readonly chords: readonly (readonly number[])[];
  /** Which note of the chord each eighth plays; −1 rests. */
  readonly picking: readonly number[];
  /** A line above the chords, one note a beat; 0 rests. */
  readonly melody: readonly number[];
}

export const TUNES: readonly Score[] = [
  {
    name: "potting-bench.wav",
    beatsAMinute: 104,
    chords: [
      [48, 55, 60, 64, 67],
      [45, 52, 57, 60, 64],
      [53, 57, 60, 65, 69],
      [43, 50, 55, 59, 62],
    ],
    picking: [0, 2, 3, 4, 3, 2, 4, 3],
    melody: [76, 0, 79, 76, 72, 0, 74, 76, 77, 0, 76, 72, 74, 0, 71, 67],
  },
  {
    name: "morning-watering.wav",
    beatsAMinute: 84,
    chords: [
      [50, 57, 62, 66, 69],
      [47, 54, 59, 62, 66],
      [43, 50, 55, 59, 62],
      [45, 52, 57, 61, 64],
    ],
    picking: [0, 3, 2, 4, 1, 3, 4, 2],
    melody: [78, 0, 0, 81, 78, 0, 74, 0, 76, 0, 79, 0, 76, 73, 0, 0],
  },
  {
    name: "market-square.wav",
    beatsAMinute: 118,
    chords: [
      [43, 55, 59, 62, 67],
      [48, 55, 60, 64, 67],
      [50, 57, 62, 66, 69],
      [48, 55, 60, 64, 67],
    ],
    picking: [0, 3, 1, 4, 2, 4, 3, 1],
    melody: [79, 78, 74, 0, 76, 0, 72, 74, 78, 0, 81, 78, 76, 74, 72, 0],
  },
  {
    name: "slow-oven.wav",
    beatsAMinute: 72,
    chords: [
      [53, 57, 60, 64, 67],
      [50, 57, 60, 65, 69],
      [46, 53, 58, 62, 65],
      [48, 55, 58, 64, 67],
    ],
    picking: [0, -1, 2, 3, -1, 4, 2, -1],
    melody: [72, 0, 0, 69, 0, 0, 67, 65, 0, 0, 70, 0, 69, 0, 64, 0],
  },
  {
    name: "first-frost.wav",
    beatsAMinute: 66,
    chords: [
      [45, 52, 57, 60, 64],
      [41, 53, 57, 60, 65],
      [48, 55, 60, 64, 67],
      [43, 50, 55, 59, 62],
    ],
    picking: [0, 4, -1, 3, 2, -1, 4, -1],
    melody: [76, 0, 0, 0, 81, 0, 77, 0, 79, 0, 0, 76, 0, 74, 0, 0],
  },
  {
    name: "saturday-table.wav",
    beatsAMinute: 92,
    playedBy: "keys",
    chords: [
      [41, 53, 57, 60, 64],
      [38, 53, 57, 60, 65],
      [43, 53, 58, 62, 65],
      [36, 52, 58, 60, 67],
    ],
    picking: [1, 3, 2, 4, 3, 2, 4, 2],
    melody: [72, 0, 76, 77, 0, 76, 72, 0, 74, 0, 77, 79, 76, 0, 72, 0],
  },
  {
    name: "street-lights.wav",
    beatsAMinute: 122,
    playedBy: "pulses",
    chords: [
      [45, 57, 60, 64, 69],
      [41, 57, 60, 65, 69],
      [48, 55, 60, 64, 67],
      [43, 55, 59, 62, 67],
    ],
    picking: [1, 2, 3, 4, 2, 3, 4, 3],
    melody: [81, 0, 0, 79, 0, 76, 0, 0, 79, 0, 0, 76, 0, 74, 71, 0],
  },
  {
    name: "big-opening.wav",
    beatsAMinute: 126,
    playedBy: "brass",
    chords: [
      [43, 55, 59, 62, 67],
      [48, 55, 60, 64, 67],
      [40, 55, 59, 64, 67],
      [50, 57, 60, 62, 66],
    ],
    picking: [0, -1, -1, 2, -1, -1, 3, -1],
    melody: [79, 0, 83, 0, 84, 0, 83, 79, 76, 0, 79, 0, 78, 0, 74, 0],
  },
  {
    name: "paper-boats.wav",
    beatsAMinute: 132,
    beatsABar: 3,
    playedBy: "waltz",
    chords: [
      [48, 55, 60, 64, 67],
      [45, 57, 60, 64, 69],
      [41, 57, 60, 65, 69],
      [43, 55, 59, 62, 67],
      [48, 55, 60, 64, 67],
      [40, 55, 59, 64, 67],
      [41, 57, 60, 65, 69],
      [43, 55, 59, 65, 67],
    ],
    picking: [0, 2, 3],
    melody: [88, 0, 84, 81, 0, 84, 89, 0, 88, 86, 0, 0, 84, 0, 88, 91, 0, 88, 89, 88, 86, 83, 0, 0],
  },
  {
    name: "late-counter.wav",
    beatsAMinute: 100,
    playedBy: "walking",
    chords: [
      [38, 53, 57, 60, 64],
      [43, 53, 57, 59, 64],
      [36, 52, 55, 59, 62],
      [45, 52, 55, 59, 61],
    ],
    picking: [-1, 1, -1, 2, -1, 3, 1, -1],
    melody: [77, 0, 76, 72, 0, 71, 0, 74, 76, 0, 79, 0, 73, 0, 76, 0],
  },
  {
    name: "wide-field.wav",
    beatsAMinute: 80,
    playedBy: "strings",
    chords: [
      [48, 55, 60, 64, 67],
      [43, 55, 59, 62, 67],
      [45, 52, 57, 60, 64],
      [41, 53, 57, 60, 65],
    ],
    picking: [1, 2, 3, 4, 3, 4, 3, 2],
    melody: [0, 76, 0, 79, 0, 74, 0, 71, 0, 72, 0, 76, 77, 0, 76, 72],
  },
  {
    name: "winter-fair.wav",
    beatsAMinute: 112,
    playedBy: "bells",
    chords: [
      [53, 57, 60, 65, 69],
      [50, 57, 62, 65, 69],
      [46, 58, 62, 65, 70],
      [48, 55, 60, 64, 67],
    ],
    picking: [0, 3, 2, 4, 1, 3, 2, 4],
    melody: [84, 81, 84, 86, 81, 0, 77, 0, 82, 81, 77, 74, 76, 79, 82, 79],
  },
];

/** About so long a tune is at least, in seconds: as often as it takes, in whole repeats. */
const LEAST_SECONDS = 30;
/** What still sounds after the last bar, in seconds. */
const TAIL_SECONDS = 3;

/** How often a tune goes round, and how long it lasts then. */
function roundsOf({ beatsAMinute, beatsABar = 4, chords }: Score): {
  readonly repeats: number;
  readonly seconds: number;
} {
  const once = (60 / beatsAMinute) * beatsABar * chords.length;
  const repeats = Math.max(2, Math.ceil(LEAST_SECONDS / once));
  return { repeats, seconds: once * repeats };
}

/** How long a tune lasts, in seconds. */
export const tuneSeconds = (tune: Score): number => roundsOf(tune).seconds;

/**
 * Plays a tune to samples, the same for the same seed: whole bars, 30 to 60 s. What rings after the last bar lies over the
 * first, so that it can begin again at its end without a seam.
 */
export function playTune(tune: Score, seed: number): Stereo {
  const { beatsAMinute, beatsABar = 4, playedBy = "picked", chords, picking, melody } = tune;
  const random = seeded(seed);
  const beat = 60 / beatsAMinute;
  const bar = beat * beatsABar;
  const { repeats, seconds } = roundsOf(tune);
  const track = silence(seconds + TAIL_SECONDS);
  for (let repeat = 0; repeat < repeats; repeat++)
    chords.forEach((chord, index) =>
      ENSEMBLES[playedBy]({
        ...{ track, random, beat, bar, chord, picking, repeat, index },
        start: (repeat * chords.length + index) * bar,
        melody: melody.slice(index * beatsABar, (index + 1) * beatsABar),
      }),
    );
  return foldedOver(room(track), Math.round(seconds * SAMPLE_RATE));
}

/** A track cut to so many samples, with what comes after them laid over its beginning. */
function foldedOver({ left, right }: Stereo, count: number): Stereo {
  const folded = (channel: Float32Array): Float32Array => {
    const kept = channel.slice(0, count);
    channel.subarray(count).forEach((sample, at) => (kept[at] = (kept[at] ?? 0) + sample));
    return kept;
  };
  return { left: folded(left), right: folded(right) };
}
