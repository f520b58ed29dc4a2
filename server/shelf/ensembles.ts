import { bell, brass, clap, hat, keys, kick, pulse, strings } from "./instruments";
import { type Random } from "./random";
import { type Stereo, bass, pad, pluck, tap } from "./synth";

/** A bar of a tune, and what it is played onto. Times in seconds. */
export interface Bar {
  readonly track: Stereo;
  readonly random: Random;
  readonly start: number;
  readonly beat: number;
  readonly bar: number;
  /** MIDI notes from the root up. */
  readonly chord: readonly number[];
  /** Which note of the chord each step plays; −1 rests. */
  readonly picking: readonly number[];
  /** A note a beat; 0 rests. */
  readonly melody: readonly number[];
  /** Which time the tune goes round, and which of its bars it is, from 0. */
  readonly repeat: number;
  readonly index: number;
}

/** Calls for each note of the chord that is picked, with its time and its place among the steps. */
function eachPicked(
  { start, beat, chord, picking }: Bar,
  steps: number,
  play: (note: number, at: number, step: number) => void,
): void {
  picking.forEach((which, step) => {
    const note = chord[which];
    if (note !== undefined) play(note, start + (step * beat) / steps, step);
  });
}

function eachSung({ start, beat, melody }: Bar, play: (note: number, at: number) => void): void {
  melody.forEach((note, count) => {
    if (note > 0) play(note, start + count * beat);
  });
}

const rootOf = ({ chord }: Bar): number => (chord[0] ?? 48) - 12;
/** The tune is sung every other time: the first time one listens to the ground it stands on. */
const isSung = ({ repeat }: Bar): boolean => repeat % 2 === 1;

/** Picked strings, a pad, a bass and light taps. */
function picked(bar: Bar): void {
  const { track, start, beat, chord, random, repeat, index } = bar;
  eachPicked(bar, 2, (note, at, step) =>
    pluck(track, at + random.between(0, 0.006), note, 1.6, step % 4 === 0 ? 0.5 : 0.36, -0.35, random),
  );
  chord.slice(1, 4).forEach((note, voice) => pad(track, start, note, bar.bar * 1.05, 0.035, voice * 0.4 - 0.4));
  bass(track, start, rootOf(bar), beat * 1.8, 0.34);
  bass(track, start + beat * 2.5, rootOf(bar), beat * 1.4, 0.24);
  for (let count = 0; count < 4; count++) {
    if (repeat > 0 || index > 1)
      tap(track, start + count * beat, count % 2 === 0 ? 0.02 : 0.6, count % 2 === 0 ? 0.3 : 0.13, 0.15, random);
    tap(track, start + (count + 0.5) * beat, 0.95, 0.045, 0.45, random);
  }
  if (isSung(bar)) eachSung(bar, (note, at) => pluck(track, at, note, 1.4, 0.42, 0.4, random));
}

/** Soft keys over a bass, with a drum that is hardly there. */
function playedOnKeys(bar: Bar): void {
  const { track, start, beat, chord, random } = bar;
  for (const note of chord.slice(1)) keys(track, { start, note, seconds: beat * 1.6, gain: 0.13 });
  for (const note of chord.slice(2)) keys(track, { start: start + 2.5 * beat, note, seconds: beat, gain: 0.1 });
  eachPicked(bar, 2, (note, at) => keys(track, { start: at, note: note + 12, seconds: beat, gain: 0.045, pan: 0.4 }));
  bass(track, start, rootOf(bar) + 12, beat * 1.9, 0.36);
  bass(track, start + beat * 2.5, rootOf(bar) + 12, beat * 1.2, 0.26);
  kick(track, start, 0.45);
  kick(track, start + 2 * beat, 0.35);
  for (const count of [1, 3]) tap(track, start + count * beat, 0.7, 0.16, 0.2, random);
  for (let count = 0; count < 4; count++) hat(track, start + count * beat, 0.05, random);
  if (isSung(bar))
    eachSung(bar, (note, at) => keys(track, { start: at, note, seconds: beat * 1.4, gain: 0.24, pan: -0.3 }));
}

/** Short tones that run on over a drum on every beat. */
function pulses(bar: Bar): void {
  const { track, start, beat, chord, random, repeat } = bar;
  for (let step = 0; step < 16; step++) {
    const note = chord[bar.picking[step % bar.picking.length] ?? 0];
    if (note !== undefined)
      pulse(track, {
        start: start + (step * beat) / 4,
        note: note + 12,
        seconds: 0.22,
        gain: 0.16,
        pan: step % 2 === 0 ? -0.4 : 0.4,
      });
  }
  for (let step = 0; step < 8; step++)
    bass(track, start + (step * beat) / 2, rootOf(bar), beat * 0.42, step % 2 === 0 ? 0.2 : 0.34);
  for (let count = 0; count < 4; count++) {
    kick(track, start + count * beat, 0.55);
    hat(track, start + (count + 0.5) * beat, 0.13, random, 0.3);
    if (count % 2 === 1) clap(track, start + count * beat, 0.3, random);
  }
  if (repeat > 0)
    for (const note of chord.slice(1, 4)) strings(track, { start, note, seconds: bar.bar * 1.05, gain: 0.12 });
  if (isSung(bar)) eachSung(bar, (note, at) => pulse(track, { start: at, note, seconds: beat * 1.5, gain: 0.3 }));
}

/** Blown chords on and off the beat, over drums: something opens. */
function blown(bar: Bar): void {
  const { track, start, beat, chord, random } = bar;
  eachPicked(bar, 2, (_, at, step) => {
    for (const note of chord.slice(1))
      brass(track, { start: at, note, seconds: beat * (step === 0 ? 1.3 : 0.7), gain: 0.13 });
  });
  bass(track, start, rootOf(bar), beat * 1.4, 0.4);
  bass(track, start + 1.5 * beat, rootOf(bar), beat * 0.8, 0.34);
  bass(track, start + 3 * beat, rootOf(bar) + 7, beat * 0.9, 0.3);
  for (const count of [0, 1.5, 2, 3.5]) kick(track, start + count * beat, 0.5);
  for (const count of [1, 3]) clap(track, start + count * beat, 0.42, random);
  for (let count = 0; count < 8; count++) hat(track, start + (count * beat) / 2, 0.09, random, count === 7 ? 1 : 0);
  if (isSung(bar))
    eachSung(bar, (note, at) => brass(track, { start: at, note, seconds: beat * 1.1, gain: 0.2, pan: 0.25 }));
}

/** A music box that turns: low, high, high. */
function waltz(bar: Bar): void {
  const { track, start, beat, chord, random } = bar;
  bass(track, start, rootOf(bar) + 12, beat * 1.6, 0.3);
  for (const count of [1, 2])
    for (const note of chord.slice(2))
      pluck(track, start + count * beat, note + 12, 0.7, 0.16, count * 0.5 - 0.75, random);
  eachPicked(bar, 1, (note, at) => bell(track, { start: at, note: note + 24, seconds: 0.9, gain: 0.05, pan: 0.5 }));
  tap(track, start, 0.85, 0.05, -0.3, random);
  if (bar.repeat > 0)
    eachSung(bar, (note, at) => bell(track, { start: at, note, seconds: 1.6, gain: 0.17, pan: -0.15 }));
}

/** A bass that walks, keys beside the beat and brushes: late in the evening. */
function walking(bar: Bar): void {
  const { track, start, beat, chord, random } = bar;
  const root = rootOf(bar) + 12;
  [root, (chord[2] ?? root) - 12, (chord[3] ?? root) - 12, root + 1].forEach((note, count) =>
    bass(track, start + count * beat, note, beat * 0.95, 0.4),
  );
  eachPicked(bar, 2, (_, at) => {
    for (const note of chord.slice(1)) keys(track, { start: at + beat * 0.12, note, seconds: beat * 0.9, gain: 0.09 });
  });
  for (let count = 0; count < 4; count++) {
    hat(track, start + count * beat, 0.08, random, 0.7);
    // Two of three, as it swings.
    if (count % 2 === 1) hat(track, start + (count + 0.66) * beat, 0.06, random);
  }
  if (isSung(bar))
    eachSung(bar, (note, at) => keys(track, { start: at, note, seconds: beat * 1.3, gain: 0.26, pan: 0.3 }));
}

/** Bowed chords, picked notes that run through them, and a tune high above. */
function bowed(bar: Bar): void {
  const { track, start, beat, chord, random, repeat } = bar;
  for (const note of chord) strings(track, { start, note, seconds: bar.bar * 1.12, gain: 0.2 });
  strings(track, { start, note: rootOf(bar), seconds: bar.bar * 1.12, gain: 0.26 });
  eachPicked(bar, 2, (note, at) => pluck(track, at, note + 12, 1.4, 0.2, -0.3, random));
  if (repeat > 0) for (const count of [0, 2]) kick(track, start + count * beat, 0.3);
  if (repeat > 0) eachSung(bar, (note, at) => strings(track, { start: at, note, seconds: beat * 1.8, gain: 0.24 }));
}

/** Bells over a bass, with something that jingles on every half beat. */
function bells(bar: Bar): void {
  const { track, start, beat, chord, random } = bar;
  eachPicked(bar, 2, (note, at) => pluck(track, at, note, 1.2, 0.3, -0.3, random));
  for (const note of chord.slice(1, 4)) pad(track, start, note, bar.bar * 1.05, 0.03, 0);
  bass(track, start, rootOf(bar), beat * 1.8, 0.34);
  bass(track, start + beat * 2, rootOf(bar) + 7, beat * 1.6, 0.26);
  for (let step = 0; step < 8; step++)
    for (const [late, high] of [
      [0, 98],
      [0.02, 101],
    ] as const)
      bell(track, {
        start: start + (step * beat) / 2 + late,
        note: high,
        seconds: 0.2,
        gain: step % 2 === 0 ? 0.03 : 0.018,
        pan: 0.5,
      });
  if (bar.repeat > 0) eachSung(bar, (note, at) => bell(track, { start: at, note, seconds: 1.8, gain: 0.2 }));
}

/** How a bar is played, by what plays it. */
export const ENSEMBLES = {
  picked,
  keys: playedOnKeys,
  pulses,
  brass: blown,
  waltz,
  walking,
  strings: bowed,
  bells,
} as const satisfies Readonly<Record<string, (bar: Bar) => void>>;
export type EnsembleName = keyof typeof ENSEMBLES;
