import { type Span } from "../time/tracks";
import { type Mix, type MixedPiece, type SoundVersion, positionAt, soundName } from "./mixedPiece";
import { SAMPLE_RATE, type SoundSamples, type Stereo, sampleAt } from "./samples";

/** The samples of a sound that are needed: from one on, up to and without another; to its end where that is null. */
export interface NeededSamples {
  readonly from: number;
  readonly to: number | null;
}

/** A sound as it is needed, and how much of it. */
export interface NeededSound extends NeededSamples {
  readonly version: SoundVersion;
}

/** What of each sound is heard in a mix, by its name. */
export function neededSamples({ track }: Mix): Map<string, NeededSound> {
  const needed = new Map<string, NeededSound>();
  for (const span of track) {
    const { sound, tempo, treated } = span.what;
    const version = { sound, tempo, treated };
    const own = neededBy(span);
    const before = needed.get(soundName(version));
    const range = before ? { from: Math.min(before.from, own.from), to: later(before.to, own.to) } : own;
    needed.set(soundName(version), { ...range, version });
  }
  return needed;
}

const later = (one: number | null, other: number | null): number | null =>
  one === null || other === null ? null : Math.max(one, other);

function neededBy({ from, to, what }: Span<MixedPiece>): NeededSamples {
  const { position, used, isLooped } = what;
  if (isLooped) return used;
  const ends = positionAt(what, sampleAt(to) - sampleAt(from));
  // What lies between two samples needs both.
  const [least, most] = [Math.floor(Math.min(position, ends)), Math.ceil(Math.max(position, ends)) + 1];
  return { from: Math.max(used.from, least), to: used.to === null ? most : Math.min(used.to, most) };
}

/**
 * What is heard of a mix, a second at a time.
 *
 * @param samplesOf the samples of a sound that are needed, by its name (see `neededSamples`); a sound of which there are none is not heard
 * @param count how many samples are made: silence follows what ends before
 */
export function* mixSamples(
  { track }: Mix,
  samplesOf: (sound: string) => SoundSamples | null,
  count: number,
): Generator<Stereo, void> {
  for (let start = 0; start < count; start += SAMPLE_RATE) {
    const length = Math.min(SAMPLE_RATE, count - start);
    const block = { left: new Float32Array(length), right: new Float32Array(length) };
    for (const span of track) {
      const samples = samplesOf(soundName(span.what));
      if (samples) addPiece({ block, start }, span, samples);
    }
    yield block;
  }
}

/** Adds what is heard of a piece within a block: between each two points of its levels, an evenly changing factor. */
function addPiece(
  { block, start }: { readonly block: Stereo; readonly start: number },
  { from, to, what }: Span<MixedPiece>,
  samples: SoundSamples,
): void {
  const begins = sampleAt(from);
  const first = Math.max(0, start - begins);
  const end = Math.min(sampleAt(to), start + block.left.length) - begins;
  const read = readerOf(what, samples);
  for (let index = 1; index < what.levels.length; index++) {
    const [before, next] = [what.levels[index - 1], what.levels[index]];
    if (!before || !next || next.at <= before.at) continue;
    const slope = (next.level - before.level) / (next.at - before.at);
    const stop = Math.min(end, Math.ceil(next.at));
    for (let at = Math.max(first, Math.ceil(before.at)); at < stop; at++) {
      const level = before.level + slope * (at - before.at);
      const into = begins + at - start;
      const position = positionAt(what, at);
      block.left[into] = (block.left[into] ?? 0) + level * read(samples.left, position);
      block.right[into] = (block.right[into] ?? 0) + level * read(samples.right, position);
    }
  }
}

/** Over so many samples, 5 ms, a sound that begins again comes from where it was. */
const SEAM = SAMPLE_RATE / 200;

/**
 * Reads a sound at a position: a sample itself, or the straight line between two. Outside what is used there is silence. One
 * that begins again with a jump such as it has none around, which is heard as a click, comes evenly from where it was. One that
 * was made to be looped is as it is.
 */
function readerOf(
  { used, isLooped }: MixedPiece,
  { first, left }: SoundSamples,
): (channel: Float32Array, position: number) => number {
  const end = Math.min(used.to ?? Infinity, first + left.length);
  const length = end - used.from;
  const seam = Math.min(SEAM, length >> 2);
  const own = (channel: Float32Array, at: number): number => channel[at - first] ?? 0;
  /** By channel: the last sample, where the sound jumps from it to the first; else null. */
  const leftAt = new Map<Float32Array, number | null>();
  const leftOf = (channel: Float32Array): number | null => {
    const known = leftAt.get(channel);
    if (known !== undefined) return known;
    const step = (at: number): number => Math.abs(own(channel, at + 1) - own(channel, at));
    let widest = 0;
    for (let at = 0; at < seam; at++) widest = Math.max(widest, step(used.from + at), step(end - 2 - at));
    const last = own(channel, end - 1);
    const left = Math.abs(own(channel, used.from) - last) > widest ? last : null;
    leftAt.set(channel, left);
    return left;
  };
  const looped = (channel: Float32Array, at: number): number => {
    const into = modulo(at - used.from, length);
    const sample = own(channel, used.from + into);
    const left = into < seam && at >= end ? leftOf(channel) : null;
    return left === null ? sample : left + (sample - left) * (into / seam);
  };
  const sample = (channel: Float32Array, at: number): number => {
    if (isLooped && length > 0) return looped(channel, at);
    return at >= used.from && at < end ? own(channel, at) : 0;
  };
  return (channel, position) => {
    const whole = Math.floor(position);
    const part = position - whole;
    const here = sample(channel, whole);
    return part === 0 ? here : here + (sample(channel, whole + 1) - here) * part;
  };
}

const modulo = (value: number, by: number): number => ((value % by) + by) % by;
