import { type Random } from "./random";
import { SAMPLE_RATE, type Stereo, add, frequency } from "./synth";

/** When a note is played, what, how long it is held in seconds, how loud, and where between left (−1) and right (1). */
export interface Note {
  readonly start: number;
  /** MIDI note number. */
  readonly note: number;
  readonly seconds: number;
  readonly gain: number;
  readonly pan?: number;
}

const TURN = 2 * Math.PI;

/** Adds a wave from a time on: `wave` gives its sample at a time in seconds after it began. */
function play(
  track: Stereo,
  { start, seconds, gain, pan = 0 }: Omit<Note, "note">,
  wave: (time: number) => number,
): void {
  const begin = Math.round(start * SAMPLE_RATE);
  const count = Math.round(seconds * SAMPLE_RATE);
  // No note ends with a click.
  const release = Math.min(count, 0.03 * SAMPLE_RATE);
  for (let index = 0; index < count; index++)
    add(track, begin + index, gain * wave(index / SAMPLE_RATE) * Math.min(1, (count - index) / release), pan);
}

const rising = (time: number, seconds: number): number => Math.min(1, time / seconds);

/** Soft keys: two sines, one bending the other, as J. Chowning describes frequency modulation (1973). */
export function keys(track: Stereo, note: Note): void {
  const hertz = frequency(note.note);
  play(track, note, (time) => {
    const bend = 1.4 * Math.exp(-time * 6) * Math.sin(TURN * hertz * time);
    return rising(time, 0.004) * Math.exp(-time * 1.9) * Math.sin(TURN * hertz * time + bend);
  });
}

/** A small bell: the same with a partner that is no multiple, so that it sounds of metal. */
export function bell(track: Stereo, note: Note): void {
  const hertz = frequency(note.note);
  play(track, note, (time) => {
    const bend = 2.2 * Math.exp(-time * 4) * Math.sin(TURN * hertz * 3.53 * time);
    return rising(time, 0.002) * Math.exp(-time * 2.6) * Math.sin(TURN * hertz * time + bend);
  });
}

/** So many partials a bowed or blown tone has here. */
const PARTIALS = [1, 2, 3, 4, 5, 6, 7] as const;
/** Below a third of the sample rate, so that nothing folds back. */
const HIGHEST = SAMPLE_RATE / 3;
const partialsOf = (hertz: number): readonly number[] => PARTIALS.filter((partial) => partial * hertz < HIGHEST);

const TABLE = 4096;

/** One turn of a tone whose partials grow softer by a power of their number, read at a turn counted in turns. */
function toneOf(partials: readonly number[], power: number, phase = 0): (turns: number) => number {
  const table = Float32Array.from({ length: TABLE + 1 }, (_, at) =>
    partials.reduce((sum, n) => sum + Math.sin((TURN * n * at) / TABLE + phase * n) / n ** power, 0),
  );
  return (turns) => {
    const at = (turns - Math.floor(turns)) * TABLE;
    const whole = Math.floor(at);
    const [one, next] = [table[whole] ?? 0, table[whole + 1] ?? 0];
    return one + (next - one) * (at - whole);
  };
}

/** Bowed strings, three a little apart, that swell and give way to the next chord. */
export function strings(track: Stereo, note: Note): void {
  const hertz = frequency(note.note);
  const tone = toneOf(partialsOf(hertz), 1.6, 1);
  for (const [detune, side] of [
    [0.997, -0.5],
    [1, 0],
    [1.003, 0.5],
  ] as const)
    play(track, { ...note, gain: note.gain / 3, pan: side }, (time) => {
      const swell = rising(time, 0.35) * rising(note.seconds - time, 0.5);
      return swell * tone(hertz * detune * time);
    });
}

/** Blown together and short: bright at first. */
export function brass(track: Stereo, note: Note): void {
  const hertz = frequency(note.note);
  const partials = partialsOf(hertz);
  const [bright, soft] = [toneOf(partials, 0.4), toneOf(partials, 1.5)];
  play(track, note, (time) => {
    const share = Math.exp(-time * 9);
    const tone = share * bright(hertz * time) + (1 - share) * soft(hertz * time);
    return (rising(time, 0.018) * Math.exp(-time * 3.2) * tone) / 2.4;
  });
}

/** A short tone with an edge, for patterns that run on. */
export function pulse(track: Stereo, note: Note): void {
  const hertz = frequency(note.note);
  const partials = partialsOf(hertz).filter((n) => n % 2 === 1);
  play(track, note, (time) => {
    const tone = partials.reduce(
      (sum, n) => sum + (Math.sin(TURN * hertz * n * time) / n) * Math.exp(-time * 2 * n),
      0,
    );
    return rising(time, 0.003) * Math.exp(-time * 5) * tone;
  });
}

/** The low drum that is trodden. */
export function kick(track: Stereo, start: number, gain: number): void {
  play(track, { start, seconds: 0.32, gain }, (time) => {
    const fall = 46 * time + 4.2 * (1 - Math.exp(-time * 34));
    return Math.sin(TURN * fall) * Math.exp(-time * 9);
  });
}

/** Hands, a few a little after one another. */
export function clap(track: Stereo, start: number, gain: number, random: Random): void {
  for (const late of [0, 0.011, 0.021])
    play(
      track,
      { start: start + late, seconds: 0.16, gain: gain * 0.6, pan: late * 14 - 0.15 },
      noise(random, 0.5, 26),
    );
}

/** A small pair of cymbals. @param open how long it rings, 0 to 1 */
export function hat(track: Stereo, start: number, gain: number, random: Random, open = 0): void {
  play(track, { start, seconds: 0.06 + 0.2 * open, gain, pan: 0.3 }, noise(random, 0.92, 60 - 46 * open));
}

/** Noise that has lost its lows and fades. @param high how much of its lows is gone, 0 to 1 @param fades how fast */
function noise(random: Random, high: number, fades: number): (time: number) => number {
  let low = 0;
  return (time) => {
    const sample = random.between(-1, 1);
    low += (1 - high) * (sample - low);
    return (sample - low) * Math.exp(-time * fades);
  };
}
