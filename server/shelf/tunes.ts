import { seeded } from "./random";
import { type Stereo, bass, pad, pluck, room, silence, tap } from "./synth";

/** A tune: chords of four beats each, picked, over a bass and light taps. */
interface Score {
  readonly name: string;
  readonly beatsAMinute: number;
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
];

const REPEATS = 4;

/** Plays a tune to samples, the same for the same seed. About 30 s to 45 s. */
export function playTune(tune: Score, seed: number): Stereo {
  const random = seeded(seed);
  const beat = 60 / tune.beatsAMinute;
  const bar = beat * 4;
  const track = silence(bar * tune.chords.length * REPEATS + 2);
  for (let repeat = 0; repeat < REPEATS; repeat++)
    tune.chords.forEach((chord, index) => {
      const start = (repeat * tune.chords.length + index) * bar;
      tune.picking.forEach((note, eighth) => {
        const pitch = chord[note];
        if (pitch)
          pluck(
            track,
            start + eighth * beat * 0.5 + random.between(0, 0.006),
            pitch,
            1.6,
            eighth % 4 === 0 ? 0.5 : 0.36,
            -0.35,
            random,
          );
      });
      chord.slice(1, 4).forEach((note, voice) => pad(track, start, note, bar * 1.05, 0.035, voice * 0.4 - 0.4));
      bass(track, start, (chord[0] ?? 48) - 12, beat * 1.8, 0.34);
      bass(track, start + beat * 2.5, (chord[0] ?? 48) - 12, beat * 1.4, 0.24);
      for (let count = 0; count < 4; count++) {
        if (repeat > 0 || index > 1)
          tap(track, start + count * beat, count % 2 === 0 ? 0.02 : 0.6, count % 2 === 0 ? 0.3 : 0.13, 0.15, random);
        tap(track, start + (count + 0.5) * beat, 0.95, 0.045, 0.45, random);
        const note = repeat % 2 === 1 ? tune.melody[index * 4 + count] : 0;
        if (note) pluck(track, start + count * beat, note, 1.4, 0.42, 0.4, random);
      }
    });
  return room(track);
}
