import { SAMPLE_RATE, type Stereo } from "./samples";

/** How far the limiter looks ahead, and how slowly it lets go, in samples. */
const AHEAD = SAMPLE_RATE / 200;
const RELEASE = SAMPLE_RATE / 20;
const LET_GO = 1 - Math.exp(-1 / RELEASE);

const NOTHING: Stereo = { left: new Float32Array(0), right: new Float32Array(0) };

/**
 * Turns down what would be louder than a limit, before it comes, and nothing else: where no sample passes the limit, all
 * come out as they are. Both channels are turned down alike, so that nothing moves to a side.
 *
 * @param most the limit: a linear factor of full scale
 * @returns at the end, the least factor that anything was turned down by
 */
export function* limited(blocks: Iterable<Stereo>, most: number): Generator<Stereo, number> {
  const factors = openFactors();
  let least = 1;
  let waiting = NOTHING;
  for (const block of blocks) {
    const all = { left: joined(waiting.left, block.left), right: joined(waiting.right, block.right) };
    const out = { left: new Float32Array(block.left.length), right: new Float32Array(block.left.length) };
    let count = 0;
    for (let at = 0; at < block.left.length; at++) {
      const peak = Math.max(Math.abs(block.left[at] ?? 0), Math.abs(block.right[at] ?? 0));
      const factor = factors(peak > most ? most / peak : 1);
      if (factor === null) continue;
      least = Math.min(least, factor);
      turnDown(all, out, count++, factor);
    }
    yield { left: out.left.subarray(0, count), right: out.right.subarray(0, count) };
    waiting = { left: all.left.subarray(count), right: all.right.subarray(count) };
  }
  const rest = { left: new Float32Array(waiting.left.length), right: new Float32Array(waiting.left.length) };
  for (let count = 0; count < rest.left.length;) {
    const factor = factors(1);
    if (factor === null) continue;
    least = Math.min(least, factor);
    turnDown(waiting, rest, count++, factor);
  }
  yield rest;
  return least;
}

function turnDown(from: Stereo, to: Stereo, at: number, factor: number): void {
  to.left[at] = (from.left[at] ?? 0) * factor;
  to.right[at] = (from.right[at] ?? 0) * factor;
}

function joined(one: Float32Array, other: Float32Array): Float32Array {
  const both = new Float32Array(one.length + other.length);
  both.set(one);
  both.set(other, one.length);
  return both;
}

/**
 * Given the factor that each sample asks for, gives the one that the sample `AHEAD` before it gets, once there is one: the
 * mean, over that stretch, of the least that any sample in reach asked for. So no sample passes the limit, and no factor
 * jumps.
 */
function openFactors(): (wanted: number) => number | null {
  const reach = AHEAD + 1;
  /** What was asked for in reach, as far as nothing less was asked for later, in a ring: the first is the least. */
  const least = { at: new Int32Array(reach + 1), factor: new Float64Array(reach + 1) };
  const slow = new Float64Array(reach);
  let [first, end, now, last, sum] = [0, 0, 0, 1, 0];
  const next = (index: number): number => (index === reach ? 0 : index + 1);
  const before = (index: number): number => (index === 0 ? reach : index - 1);
  return (factor) => {
    while (first !== end && (least.factor[before(end)] ?? 0) >= factor) end = before(end);
    least.at[end] = now;
    least.factor[end] = factor;
    end = next(end);
    if ((least.at[first] ?? now) <= now - reach) first = next(first);
    last = Math.min(least.factor[first] ?? 1, last + (1 - last) * LET_GO);
    const place = now % reach;
    sum += last - (slow[place] ?? 0);
    slow[place] = last;
    now++;
    return now >= reach ? sum / reach : null;
  };
}
