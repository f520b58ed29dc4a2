import { type Mix, levelAt } from "../../core/sound/mix";
import { type Ticks, msOf, ticks, ticksOf } from "../../core/time/ticks";

/** Plays what is heard of a promotion from any time, with the levels the render will have. */
export interface SoundPlayer {
  /** @param time in milliseconds */
  play(time: number): void;
  hold(): void;
  close(): void;
}

const STEP_MS = 50;
const LEAST_CURVE_SECONDS = 0.05;
type MixedSpan = Mix["track"][number];

/** @param addressOf where the file of a sound is fetched */
export function openSoundPlayer({ track }: Mix, addressOf: (sound: string) => string): SoundPlayer {
  const context = new AudioContext();
  const buffers = new Map<string, Promise<AudioBuffer | null>>();
  for (const { what } of track)
    if (!buffers.has(what.sound)) buffers.set(what.sound, decoded(context, addressOf(what.sound)));
  let sources: AudioBufferSourceNode[] = [];
  let turn = 0;

  function hold(): void {
    turn++;
    sources.forEach((source) => source.stop());
    sources = [];
  }

  async function start(time: number): Promise<void> {
    hold();
    const mine = ++turn;
    await context.resume();
    const asked = context.currentTime;
    const ready = await Promise.all(track.map(async (span) => ({ span, buffer: await buffers.get(span.what.sound) })));
    if (mine !== turn) return;
    // What was waited for has passed.
    const now = ticksOf(time + (context.currentTime - asked) * 1000);
    sources = ready.flatMap(({ span, buffer }) => (buffer ? startPiece(context, { span, buffer, now }) : []));
  }

  return {
    play: (time) => void start(time),
    hold,
    close() {
      hold();
      void context.close();
    },
  };
}

/** A sound that can't be fetched or decoded is not heard; the others are. */
const decoded = (context: AudioContext, address: string): Promise<AudioBuffer | null> =>
  fetch(address)
    .then(async (response) => context.decodeAudioData(await response.arrayBuffer()))
    .catch(() => null);

/** Starts a piece now, or has it start in its time; nothing where it is over. */
function startPiece(
  context: AudioContext,
  { span, buffer, now }: { readonly span: MixedSpan; readonly buffer: AudioBuffer; readonly now: Ticks },
): AudioBufferSourceNode[] {
  const { from, to, what } = span;
  if (now >= to) return [];
  const begins = ticks(Math.max(from, now));
  const seconds = (one: Ticks, other: Ticks): number => msOf(ticks(one - other)) / 1000;
  const at = context.currentTime + seconds(begins, now);
  const offset = what.from / 1000 + seconds(begins, from);
  if (!what.isLooped && offset >= buffer.duration) return [];
  const source = context.createBufferSource();
  source.buffer = buffer;
  if (what.isLooped) {
    source.loop = true;
    source.loopStart = 0;
  }
  const level = context.createGain();
  level.gain.setValueAtTime(0, 0);
  level.gain.setValueCurveAtTime(levels(span, begins), at, Math.max(LEAST_CURVE_SECONDS, seconds(to, begins)));
  source.connect(level).connect(context.destination);
  source.start(at, what.isLooped ? offset % buffer.duration : offset, seconds(to, begins));
  return [source];
}

/** The levels of a piece from a time to its end, in steps that are heard as lines. */
export function levels(span: MixedSpan, from: Ticks): Float32Array {
  const lasts = span.to - from;
  const points = Math.max(2, Math.ceil(msOf(ticks(lasts)) / STEP_MS));
  return Float32Array.from({ length: points }, (_, index) =>
    levelAt(span, ticks(Math.round(from + (index / (points - 1)) * lasts))),
  );
}
