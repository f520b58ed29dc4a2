import { type Promotion } from "../../core/document/promotion";
import { type Facts } from "../../core/document/facts";
import { type ResolvedPromotion, resolvePromotion } from "../../core/document/resolve";
import { type ClipNode, type DisplayList, everyNode, sameFrame } from "../../core/scene/displayList";
import {
  type PreparationMemory,
  type PreparedPromotion,
  displayListAt,
  preparePromotion,
  settledTime,
} from "../../core/scene/preparePromotion";
import { fontFilesWanted } from "../../core/scene/wantedFiles";
import { formatsInOrder } from "../../core/document/formatList";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { outputSize, type Quality } from "../../core/placement/quality";
import { mixOf } from "../../core/sound/mix";
import { FPS_30 } from "../../core/time/frames";
import { type FontBook } from "../../core/type/fontBook";
import { type Painter, createPainter } from "../../paint/painter";
import { browserBook, openFiles } from "./browserBook";
import { withShownTones } from "./browserTones";
import { browserResources } from "./browserResources";
import { type ClipPlayer, openClipPlayer } from "./clipPlayer";
import { type SoundPlayer, openSoundPlayer } from "./soundPlayer";
import { frameOn, frameStart, msOf, ticksOf } from "../../core/time/ticks";

/** What the interface shows of the proofs. */
export interface ProofState {
  readonly prepared: readonly PreparedPromotion[];
  /** Milliseconds. */
  readonly time: number;
  readonly length: number;
  readonly playing: boolean;
  readonly problem: string | null;
}

/** Shows one promotion in a canvas for each of its formats, in step. */
export interface ProofEngine {
  attach(format: FormatName, canvas: HTMLCanvasElement | null): void;
  show(document: Promotion, facts: Facts): void;
  play(): void;
  pause(): void;
  seek(time: number): void;
  /** Moves by whole frames and pauses. */
  step(frames: number): void;
  /** Paints the present frame at an output's full size, exactly as it will render. */
  frame(format: FormatName, quality: Quality): Promise<Blob>;
  subscribe(listener: () => void): () => void;
  state(): ProofState;
  close(): void;
}

interface Screen {
  readonly canvas: HTMLCanvasElement;
  readonly context: CanvasRenderingContext2D;
  painter: Painter;
  width: number;
  height: number;
  painted: DisplayList | null;
}

export function openProofEngine(): ProofEngine {
  const listeners = new Set<() => void>();
  const screens = new Map<FormatName, Screen>();
  /** A player for each use of a clip: the same clip may stand at two frames at once. */
  const players = new Map<string, ClipPlayer>();
  const memory: PreparationMemory = new Map();
  let facts: Facts | null = null;
  let current: ProofState = { prepared: [], time: 0, length: 0, playing: false, problem: null };
  let showing = 0;
  let started = { at: 0, from: 0 };
  let sound: { key: string; player: SoundPlayer } | null = null;
  let closed = false;
  /** Until someone plays or seeks, the first scene is shown at its settled moment; playing still begins at the start. */
  let untouched = true;

  const resources = browserResources((node) => playerOf(node)?.image() ?? null);

  function playerOf({ use, media }: ClipNode): ClipPlayer | null {
    const key = `${use}/${media}`;
    const known = players.get(key);
    const clip = facts?.media[media];
    if (known || clip?.kind !== "clip") return known ?? null;
    const player = openClipPlayer(clip, requestPaint);
    players.set(key, player);
    return player;
  }

  function change(next: Partial<ProofState>): void {
    current = { ...current, ...next };
    listeners.forEach((listener) => listener());
  }

  const listOf = (format: FormatName, time: number): DisplayList | null => {
    const prepared = current.prepared.find((one) => one.format === format);
    return prepared ? displayListAt(prepared, ticksOf(time)) : null;
  };

  /** Paints each screen whose frame has changed and whose pictures are here; fetches what is missing. */
  function paintAll(force: boolean): void {
    for (const [format, screen] of screens) {
      const list = listOf(format, current.time);
      if (!list) continue;
      // A screen that was just put in has no size yet, so that comes first, whatever else asks for painting.
      const resized = resize(format, screen);
      if (!force && !resized && screen.painted && sameFrame(screen.painted, list)) continue;
      const scale = scaleOf(format, screen);
      if (!resources.has(list, scale))
        void resources.load(list, scale).then(requestPaint, (error: unknown) => change({ problem: String(error) }));
      screen.painter.paint(list, screen.context);
      screen.painted = resources.has(list, scale) ? list : null;
    }
  }

  let asked = false;
  function requestPaint(): void {
    if (asked || closed) return;
    asked = true;
    requestAnimationFrame(() => {
      asked = false;
      if (!closed) paintAll(true);
    });
  }

  function resize(format: FormatName, screen: Screen): boolean {
    const box = screen.canvas.getBoundingClientRect();
    const width = Math.max(1, Math.round(box.width * devicePixelRatio));
    const height = Math.max(1, Math.round(box.height * devicePixelRatio));
    if (width === screen.width && height === screen.height) return false;
    Object.assign(screen, { width, height, painter: createPainter(formatOf(format), { width, height }, resources) });
    Object.assign(screen.canvas, { width, height });
    return true;
  }

  const watcher = new ResizeObserver(requestPaint);

  function tick(now: number): void {
    if (!current.playing || closed) return;
    const time = started.from + (now - started.at);
    if (time >= current.length) {
      pauseAt(current.length);
      return;
    }
    change({ time: Math.max(0, time) });
    followClips();
    paintAll(false);
    requestAnimationFrame(tick);
  }

  /** The players of the clips on screen, with the frame that each is to show; the same in every format. */
  function clipFrames(time: number): Map<ClipPlayer, number> {
    const frames = new Map<ClipPlayer, number>();
    const [first] = current.prepared;
    for (const node of everyNode((first && listOf(first.format, time)) ?? [])) {
      const player = node.kind === "clip" ? playerOf(node) : null;
      if (player && node.kind === "clip") frames.set(player, node.frame);
    }
    return frames;
  }

  function followClips(): void {
    const frames = clipFrames(current.time);
    for (const player of players.values()) {
      const frame = frames.get(player);
      if (frame === undefined) player.hold();
      else player.follow(frame);
    }
  }

  async function seekClips(time: number): Promise<void> {
    await Promise.all([...clipFrames(time)].map(([player, frame]) => player.seek(frame)));
  }

  /** Paints again once the clips on screen are at their frames; where there are none, all is painted already. */
  function showClips(): void {
    if (clipFrames(current.time).size > 0) void seekClips(current.time).then(requestPaint, () => undefined);
  }

  function pauseAt(time: number): void {
    sound?.player.hold();
    players.forEach((player) => player.hold());
    change({ playing: false, time: clampToFrame(time) });
    paintAll(false);
    showClips();
  }

  const clampToFrame = (time: number): number => {
    const last = frameOn(ticksOf(Math.max(0, current.length - 1)), FPS_30);
    const frame = Math.min(last, Math.max(0, frameOn(ticksOf(time + 0.5), FPS_30)));
    return msOf(frameStart(frame, FPS_30));
  };

  function prepareSound(document: Promotion, promotion: ResolvedPromotion): void {
    const { length, base, facts: known } = promotion;
    const mix = mixOf(document, known.media, { plan: base.sound, length });
    const key = JSON.stringify(mix);
    if (sound?.key === key) return;
    sound?.player.close();
    sound = mix.track.length > 0 ? { key, player: openSoundPlayer(mix, (id) => `/media/${id}/sound`) } : null;
  }

  async function prepare(
    promotion: ResolvedPromotion,
    formats: readonly FormatName[],
    book: FontBook,
    turn: number,
  ): Promise<void> {
    for (let wanted = fontFilesWanted(promotion, book); wanted.length > 0; wanted = fontFilesWanted(promotion, book)) {
      await openFiles(book, wanted);
      if (turn !== showing) return;
    }
    const prepared = formats.map((format) => preparePromotion(promotion, format, book, memory));
    change({ prepared, length: promotion.length, time: Math.min(current.time, promotion.length), problem: null });
    const first = promotion.spans[0];
    if (untouched && first) change({ time: clampToFrame(settledTime(first)) });
    paintAll(false);
    if (!current.playing) showClips();
  }

  let book: FontBook | null = null;
  return {
    attach(format, canvas) {
      const before = screens.get(format);
      if (before) watcher.unobserve(before.canvas);
      screens.delete(format);
      const context = canvas?.getContext("2d", { alpha: false, willReadFrequently: true });
      if (!canvas || !context) return;
      screens.set(format, {
        canvas,
        context,
        width: 0,
        height: 0,
        painted: null,
        painter: createPainter(formatOf(format), formatOf(format), resources),
      });
      watcher.observe(canvas);
      requestPaint();
    },
    show(document, newFacts) {
      facts = newFacts;
      const turn = ++showing;
      const promotion = resolvePromotion(document, newFacts);
      prepareSound(document, promotion);
      const run = async (): Promise<void> => {
        const toned = await withShownTones(promotion, newFacts);
        if (turn !== showing) return;
        if (toned !== newFacts) facts = toned;
        await prepare(
          toned === newFacts ? promotion : resolvePromotion(document, toned),
          formatsInOrder(document),
          (book ??= await browserBook()),
          turn,
        );
      };
      void run().catch((error: unknown) => change({ problem: error instanceof Error ? error.message : String(error) }));
    },
    play() {
      const from = untouched || current.time >= current.length - 40 ? 0 : current.time;
      untouched = false;
      started = { at: performance.now(), from };
      change({ playing: true, time: from });
      sound?.player.play(from);
      requestAnimationFrame(tick);
    },
    pause: () => pauseAt(current.time),
    seek(time) {
      untouched = false;
      if (current.playing) {
        started = { at: performance.now(), from: Math.min(current.length, Math.max(0, time)) };
        sound?.player.play(started.from);
        return;
      }
      change({ time: clampToFrame(time) });
      paintAll(false);
      showClips();
    },
    step(frames) {
      untouched = false;
      if (current.playing) pauseAt(current.time);
      pauseAt(clampToFrame(current.time + msOf(frameStart(frames, FPS_30))));
    },
    async frame(format, quality) {
      const list = listOf(format, current.time);
      if (!list) throw new Error("The proof is not there yet.");
      const size = outputSize(format, quality);
      await resources.load(list, Math.min(size.width / formatOf(format).width, size.height / formatOf(format).height));
      await seekClips(current.time);
      const canvas = new OffscreenCanvas(size.width, size.height);
      const context = canvas.getContext("2d", { willReadFrequently: true });
      if (!context) throw new Error("This browser gives no canvas to paint on.");
      createPainter(formatOf(format), size, resources).paint(list, context);
      return canvas.convertToBlob({ type: "image/png" });
    },
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    state: () => current,
    close() {
      closed = true;
      watcher.disconnect();
      sound?.player.close();
      players.forEach((player) => player.close());
    },
  };
}

const scaleOf = (format: FormatName, { width, height }: Screen): number =>
  Math.min(width / formatOf(format).width, height / formatOf(format).height);
