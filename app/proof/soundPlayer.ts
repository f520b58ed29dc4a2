import { type Mix } from "../../core/sound/mixedPiece";
import { SAMPLE_RATE, type Stereo } from "../../core/sound/samples";
import { type SoundMixer } from "./soundMixer";

/** Plays what is heard of a promotion from any time: the samples that the render will have. */
export interface SoundPlayer {
  /** What is heard from now on. What plays goes on with it once it is mixed. */
  load(mix: Mix): void;
  /** Somebody is at something else: what waits to be mixed, unless it is played, waits from now on. */
  wait(): void;
  /** @param time in milliseconds */
  play(time: number): void;
  hold(): void;
  /** Whether it is heard as from one speaker, and whether at all. */
  setOutput(output: Output): void;
  close(): void;
}

interface Output {
  readonly isMono: boolean;
  readonly isSilent: boolean;
}

/** What plays: since when by the page's clock, and from which time of the promotion, both in milliseconds. */
interface Playing {
  readonly since: number;
  readonly from: number;
}

/** Nobody who only looks needs the sound: it is mixed a little later, or as soon as it is played. */
const LATER_MS = 1500;

/** @param later how long it waits before it mixes what is not played, in milliseconds */
export function openSoundPlayer(mixer: SoundMixer, later = LATER_MS): SoundPlayer {
  let context: AudioContext | null = null;
  /** What all goes through: as one channel, or as two. */
  let out: GainNode | null = null;
  let output: Output = { isMono: false, isSilent: false };
  let heard: AudioBuffer | null = null;
  let source: AudioBufferSourceNode | null = null;
  let playing: Playing | null = null;
  let loads = 0;
  /** What is still to be mixed, and when it will be. */
  let waiting: { readonly mix: Mix; readonly timer: ReturnType<typeof setTimeout> } | null = null;
  let turn = 0;

  function stop(): void {
    turn++;
    source?.stop();
    source = null;
  }

  /** Goes on from where it is by now: what was waited for has passed. */
  async function sound(): Promise<void> {
    stop();
    const mine = turn;
    if (!playing || !heard || !context) return;
    await context.resume();
    // Another turn may have come meanwhile.
    if (mine !== turn) return;
    const into = Math.max(0, (playing.from + performance.now() - playing.since) / 1000);
    if (into >= heard.duration) return;
    source = context.createBufferSource();
    source.buffer = heard;
    source.connect(out ?? context.destination);
    source.start(context.currentTime, into);
  }

  function hold(): void {
    playing = null;
    stop();
  }

  const wait = (): void => {
    if (waiting) loadLater(waiting.mix);
  };
  function loadLater(mix: Mix): void {
    if (waiting) clearTimeout(waiting.timer);
    waiting = { mix, timer: setTimeout(loadNow, later) };
    if (playing || later === 0) loadNow();
  }
  function loadNow(): void {
    if (!waiting) return;
    clearTimeout(waiting.timer);
    const { mix } = waiting;
    waiting = null;
    void load(mix);
  }

  function opened(): AudioContext {
    const made = new AudioContext({ sampleRate: SAMPLE_RATE });
    out = made.createGain();
    out.channelCountMode = "explicit";
    applyTo(out);
    out.connect(made.destination);
    return made;
  }
  function applyTo(node: GainNode): void {
    node.channelCount = output.isMono ? 1 : 2;
    node.gain.value = output.isSilent ? 0 : 1;
  }

  async function load(mix: Mix): Promise<void> {
    const mine = ++loads;
    const mixed = mix.track.length > 0 ? await mixer.mixed(mix) : null;
    if (mine !== loads) return;
    if (mixed) context ??= opened();
    heard = context && mixed ? bufferOf(context, mixed) : null;
    await sound();
  }

  return {
    load: loadLater,
    wait,
    play(time) {
      playing = { since: performance.now(), from: time };
      loadNow();
      void sound();
    },
    hold,
    setOutput(wanted) {
      output = wanted;
      if (out) applyTo(out);
    },
    close() {
      loads++;
      if (waiting) clearTimeout(waiting.timer);
      waiting = null;
      hold();
      mixer.close();
      void context?.close();
    },
  };
}

function bufferOf(context: AudioContext, { left, right }: Stereo): AudioBuffer | null {
  if (left.length === 0) return null;
  const buffer = context.createBuffer(2, left.length, SAMPLE_RATE);
  [left, right].forEach((channel, index) => buffer.copyToChannel(Float32Array.from(channel), index));
  return buffer;
}
