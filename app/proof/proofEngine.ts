import isEqual from "fast-deep-equal/es6/index.js";
import { type Facts } from "../../core/document/facts";
import { type Promotion } from "../../core/document/promotion";
import { type FormatName } from "../../core/placement/formats";
import { type Quality } from "../../core/placement/quality";
import { type Size } from "../../core/geometry/rect";
import { type Finding } from "../../core/preflight/finding";
import { type ProofSheet } from "../../core/scene/proofSheet";
import { type MeasuredMix } from "../../core/sound/measuredMix";
import { type Mix } from "../../core/sound/mixedPiece";
import { FPS_30 } from "../../core/time/frames";
import { frameStart, msOf } from "../../core/time/ticks";
import { showOn } from "./showOn";
import { shownSize } from "./shownSize";
import { type Rest, type StageNews } from "./proofMessages";
import { type Proofs } from "./proofs";
import { openSoundMixer } from "./soundMixer";
import { openSoundPlayer } from "./soundPlayer";
import { toFrameStart } from "./frameStart";
import { type RelayedFrame } from "./relayedClips";
import { type VideoRelay, openVideoRelay } from "./videoRelay";

/** What the interface shows of the proofs. */
export interface ProofState {
  /** What was prepared, by format. */
  readonly prepared: readonly ProofSheet[];
  readonly findings: readonly Finding[];
  /** Milliseconds. */
  readonly time: number;
  readonly length: number;
  readonly playing: boolean;
  /** What was measured of all that is heard; null until it was mixed, and where nothing is. */
  readonly measured: MeasuredMix | null;
  readonly listening: Listening;
  readonly problem: string | null;
  /** What is played again and again; null where it plays on to the end. */
  readonly repeated: RepeatedTime | null;
}

/** Before anything was prepared. */
export const NOTHING_SHOWN: ProofState = {
  prepared: [],
  findings: [],
  time: 0,
  length: 0,
  playing: false,
  measured: null,
  listening: { alone: null, isMono: false, isSilent: false },
  problem: null,
  repeated: null,
};

/** How somebody listens for a while: nothing of it is kept, and files have all of the sound. */
export interface Listening {
  /** The piece of sound that is heard alone, by its id; null for all. */
  readonly alone: string | null;
  /** Whether it is heard as from one speaker. */
  readonly isMono: boolean;
  /** Whether nothing is heard, as where somebody records what they say. */
  readonly isSilent: boolean;
}

/** A stretch of time, in milliseconds. */
export interface RepeatedTime {
  readonly from: number;
  readonly to: number;
}

/** Shows one promotion in a canvas for each of its formats, in step. */
export interface ProofEngine {
  attach(format: FormatName, canvas: HTMLCanvasElement | null): void;
  show(document: Promotion, facts: Facts): void;
  /** Has the settled moment of every scene painted, at a size in pixels for each format; none stops it. */
  wall(sizes: Readonly<Partial<Record<FormatName, Size>>>): void;
  /** What was painted of a scene, counted from 0; null where nothing was yet. */
  cell(format: FormatName, scene: number): ImageBitmap | null;
  /** Calls back when a cell was painted. */
  onCell(listener: (format: FormatName, scene: number) => void): () => void;
  play(): void;
  pause(): void;
  seek(time: number): void;
  /** Plays a stretch again and again; null to play on. */
  repeat(time: RepeatedTime | null): void;
  /** Changes how it is listened to. */
  listen(how: Partial<Listening>): void;
  /** Moves by whole frames and pauses. */
  step(frames: number): void;
  /** Paints the present frame at an output's full size, exactly as it will render. */
  frame(format: FormatName, quality: Quality): Promise<Blob>;
  subscribe(listener: () => void): () => void;
  state(): ProofState;
  close(): void;
}

let opened = 0;
/** So near to the end playing begins anew. */
const AT_THE_END_MS = 40;

/**
 * The page's side of a stage: it keeps the time and plays the sound; the worker prepares and paints.
 *
 * @param of names what it shows: what was prepared of it by engines before this one is taken over
 */
export function openProofEngine(proofs: Proofs, of?: string): ProofEngine {
  const stage = `desk-${++opened}`;
  const listeners = new Set<() => void>();
  const attached = new Map<FormatName, HTMLCanvasElement>();
  const asked = new Map<number, { readonly resolve: (blob: Blob) => void; readonly reject: (error: Error) => void }>();
  const cells = new Map<string, ImageBitmap>();
  const cellListeners = new Set<(format: FormatName, scene: number) => void>();
  let current = NOTHING_SHOWN;
  let facts: Facts | null = null;
  /** What the worker was told last. */
  let shown: Promotion | null = null;
  let sent: Facts | null = null;
  let started = { at: 0, from: 0 };
  const sound = openSoundPlayer(openSoundMixer((measured) => change({ measured })));
  let heard: Mix | null = null;
  let whole: Mix | null = null;
  let videos: VideoRelay | null = null;
  let closed = false;
  let ask = 0;
  /** Until someone plays or seeks, the first scene is shown at its settled moment; playing still begins at the start. */
  let untouched = true;

  proofs.tell(stage, { kind: "open", isPreview: false, of });
  const stopListening = proofs.listen(stage, hear);

  function change(next: Partial<ProofState>): void {
    current = { ...current, ...next };
    listeners.forEach((listener) => listener());
  }

  function hear(news: StageNews): void {
    if (closed) return;
    switch (news.kind) {
      case "prepared": {
        const { sheets, findings, mix, length } = news;
        const time = untouched ? news.time : Math.min(current.time, toFrameStart(length, length));
        change({ prepared: sheets, findings, length, problem: null, time });
        prepareSound(mix);
        return;
      }
      case "found":
        change({ findings: news.findings });
        return;
      case "painted":
        for (const { format, bitmap } of news.frames) showOn(attached.get(format), bitmap);
        return;
      case "cell": {
        const key = `${news.format}/${news.scene}`;
        cells.get(key)?.close();
        cells.set(key, news.bitmap);
        cellListeners.forEach((listener) => listener(news.format, news.scene));
        return;
      }
      case "shown":
        return;
      case "ended":
        // What is repeated up to the very end begins anew by the page's clock.
        if (current.playing && !current.repeated) pauseAt(current.length);
        return;
      case "failed":
        change({ problem: news.reason });
        return;
      case "frame": {
        const answer = asked.get(news.ask);
        asked.delete(news.ask);
        if (news.blob) answer?.resolve(news.blob);
        else answer?.reject(new Error(news.reason));
        return;
      }
      case "want clip":
        void relay(news.wanted).catch((error: unknown) => change({ problem: String(error) }));
    }
  }

  async function relay(wanted: RelayedFrame): Promise<void> {
    const clip = facts?.media[wanted.media];
    if (clip?.kind !== "clip") return;
    videos ??= openVideoRelay();
    const bitmap = await videos.frame(clip, wanted);
    if (bitmap && !closed) proofs.tell(stage, { kind: "clip frame", sent: wanted, bitmap });
  }

  /** Where the stage stands while it does not play. */
  const rest = (): Rest => (untouched ? { scene: 0 } : { time: current.time });

  function tick(now: number): void {
    if (!current.playing || closed) return;
    const time = started.from + (now - started.at);
    const { repeated } = current;
    if (repeated && time >= repeated.to) {
      playFrom(repeated.from);
      change({ time: repeated.from });
      requestAnimationFrame(tick);
      return;
    }
    if (time >= current.length) {
      pauseAt(current.length);
      return;
    }
    change({ time: Math.max(0, time) });
    requestAnimationFrame(tick);
  }

  function playFrom(from: number): void {
    const now = performance.now();
    started = { at: now, from };
    sound.play(from);
    proofs.tell(stage, { kind: "play", from, at: performance.timeOrigin + now });
  }

  function pauseAt(time: number): void {
    sound.hold();
    videos?.hold();
    change({ playing: false, time: toFrameStart(time, current.length) });
    proofs.tell(stage, { kind: "rest", rest: { time: current.time } });
  }

  function prepareSound(mix: Mix): void {
    whole = mix;
    const { alone } = current.listening;
    const isThere = mix.track.some(({ what }) => what.piece === alone);
    // Where the piece that is heard alone was taken out, all is heard again.
    if (alone !== null && !isThere) change({ listening: { ...current.listening, alone: null } });
    const listened = isThere ? { ...mix, track: mix.track.filter(({ what }) => what.piece === alone) } : mix;
    if (isEqual(listened, heard)) return;
    heard = listened;
    if (listened.track.length === 0) change({ measured: null });
    sound.load(listened);
  }

  const tellSize = (format: FormatName, canvas: HTMLCanvasElement): void =>
    proofs.tell(stage, { kind: "size", format, size: shownSize(canvas) });
  const watcher = new ResizeObserver(() => attached.forEach((canvas, format) => tellSize(format, canvas)));

  return {
    attach(format, canvas) {
      const before = attached.get(format);
      if (before) {
        watcher.unobserve(before);
        attached.delete(format);
        proofs.tell(stage, { kind: "size", format, size: null });
      }
      if (!canvas) return;
      attached.set(format, canvas);
      tellSize(format, canvas);
      watcher.observe(canvas);
    },
    show(document, known) {
      if (document === shown && known === sent) return;
      shown = document;
      facts = known;
      // Mixing takes what typing needs of the processor.
      sound.wait();
      // Facts are large and seldom change: while somebody types, they are not told again.
      proofs.tell(stage, { kind: "show", document, facts: known === sent ? undefined : known, rest: rest() });
      sent = known;
    },
    wall: (sizes) => proofs.tell(stage, { kind: "wall", sizes }),
    cell: (format, scene) => cells.get(`${format}/${scene}`) ?? null,
    onCell(listener) {
      cellListeners.add(listener);
      return () => cellListeners.delete(listener);
    },
    play() {
      const isAtEnd = untouched || current.time >= current.length - AT_THE_END_MS;
      const from = startWithin(current.repeated, isAtEnd ? 0 : current.time);
      untouched = false;
      change({ playing: true, time: from });
      playFrom(from);
      requestAnimationFrame(tick);
    },
    pause: () => pauseAt(current.time),
    seek(time) {
      untouched = false;
      if (current.playing) playFrom(Math.min(current.length, Math.max(0, time)));
      else pauseAt(time);
    },
    listen(how) {
      change({ listening: { ...current.listening, ...how } });
      sound.setOutput(current.listening);
      if (whole) prepareSound(whole);
    },
    repeat(time) {
      change({ repeated: time });
    },
    step(frames) {
      untouched = false;
      if (current.playing) pauseAt(current.time);
      pauseAt(current.time + msOf(frameStart(frames, FPS_30)));
    },
    frame: (format, quality) =>
      new Promise((resolve, reject) => {
        asked.set(++ask, { resolve, reject });
        proofs.tell(stage, { kind: "frame", ask, format, quality });
      }),
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    state: () => current,
    close() {
      closed = true;
      stopListening();
      watcher.disconnect();
      sound.close();
      videos?.close();
      cells.forEach((bitmap) => bitmap.close());
      cells.clear();
      proofs.tell(stage, { kind: "close" });
    },
  };
}

/** Where playing begins: where it stands, or at the start of what is repeated where that is elsewhere. */
const startWithin = (repeated: RepeatedTime | null, time: number): number =>
  repeated && (time < repeated.from || time >= repeated.to) ? repeated.from : time;
