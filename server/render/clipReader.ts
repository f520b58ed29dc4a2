import { execa } from "execa";
import { type LookupTable } from "../../core/grading/lookupTable";
import { type Size } from "../../core/geometry/rect";
import { HANGS_AFTER_MS, inTime } from "../media/inTime";
import { type WorkingCopy, readFromFrame } from "../media/clipFrame";
import { ProgramFailed } from "../media/program";
import { type PixelFrames, openPixelFrames } from "./planar/pixelFrames";
import { type Rows } from "./planar/frameParts";
import { LEAST_WIDTH, planesBytes } from "./planar/planarModule";

/** Frames of a clip, decoded at the size needed. */
export interface ClipReader {
  readonly width: number;
  readonly height: number;
  /** The planes of the frame with this index, or of the last there is. The bytes are valid until the next call. */
  planes(index: number): Promise<Uint8Array | null>;
  /**
   * The same as RGBA, in the colours of the table. The bytes are valid until the next call.
   *
   * @param rows that are wanted, all when absent: others may be of another frame
   */
  frame(index: number, rows?: Rows): Promise<Uint8ClampedArray | null>;
  stop(): void;
}

/** A clip's working copy, and the size its frames are wanted in. */
export interface ClipToRead extends WorkingCopy {
  /** How many it has. */
  readonly frames: number;
  readonly width: number;
  readonly height: number;
  /** How its colours are changed. */
  readonly table?: LookupTable | undefined;
}

/** As many seconds as a group of pictures of a working copy has: going back begins at most so far before. */
const GROUP_SECONDS = 0.5;
const MOST_KEPT_BYTES = 96_000_000;
/** Skipping so many groups takes longer than beginning anew. */
const GROUPS_READ_THROUGH = 3;

/** The nearest size that a clip can be read in. */
export const readableSize = ({ width, height }: Size): Size => ({
  width: Math.max(LEAST_WIDTH, 2 * Math.round(width / 2)),
  height: Math.max(2, 2 * Math.round(height / 2)),
});

/**
 * Reads a clip back and forth. While its frames are asked for in order, memory is one frame, whatever the clip's length;
 * where they go back, the group of pictures that they are in is decoded once and kept. A decoder that hangs is ended.
 * Its size is one that `readableSize` gives: of another, no frame can be asked for.
 */
export function readClip(clip: ClipToRead, patienceMs = HANGS_AFTER_MS): ClipReader {
  const { width, height, rate, frames, table } = clip;
  const group = Math.max(1, Math.round((GROUP_SECONDS * rate.numerator) / rate.denominator));
  const most = Math.max(1, Math.min(group, Math.floor(MOST_KEPT_BYTES / planesBytes(clip))));
  let converter: Promise<PixelFrames> | null = null;
  let stream: FrameStream | null = null;
  let kept = new Map<number, Uint8Array>();
  let shown: { readonly index: number; readonly rows: Rows; readonly pixels: Uint8ClampedArray } | null = null;

  /** A stream that is at, or will come to, a frame. */
  function streamFrom(first: number): FrameStream {
    stream?.stop();
    return (stream = openFrameStream(clip, first, patienceMs));
  }

  async function goBack(index: number): Promise<Uint8Array | null> {
    const from = Math.max(0, index - most + 1);
    const back = streamFrom(from);
    kept = new Map();
    let last: Uint8Array | null = null;
    for (let at = from; at <= index; at++) {
      const planes = await back.frame(at);
      // Copied, because the stream uses its bytes again.
      if (planes) kept.set(at, (last = Uint8Array.from(planes)));
    }
    return last;
  }

  async function planesAt(index: number): Promise<Uint8Array | null> {
    const own = kept.get(index);
    if (own) return own;
    if (stream && index < stream.at) return goBack(index);
    const isNear = stream !== null && index - stream.at <= GROUPS_READ_THROUGH * group;
    return (isNear ? stream : streamFrom(index))?.frame(index) ?? null;
  }

  return {
    width,
    height,
    planes: (wanted) => planesAt(Math.min(wanted, frames - 1)),
    async frame(wanted, rows = { from: 0, to: height }) {
      const index = Math.min(wanted, frames - 1);
      if (shown?.index === index && shown.rows.from <= rows.from && shown.rows.to >= rows.to) return shown.pixels;
      const planes = await planesAt(index);
      if (!planes) return null;
      converter ??= openPixelFrames(clip, table);
      const pixels = (await converter).pixelsOf(planes, rows);
      shown = { index, rows, pixels };
      return pixels;
    },
    stop: () => stream?.stop(),
  };
}

/** Planes of frames in order, from one on. */
interface FrameStream {
  /** The frame that was read last. */
  readonly at: number;
  /** Reads on until a frame; the last there is, where the clip is shorter. */
  frame(index: number): Promise<Uint8Array | null>;
  stop(): void;
}

function openFrameStream(clip: ClipToRead, first: number, patienceMs: number): FrameStream {
  const { width, height } = clip;
  const args = [
    // A working copy's header tells all of it; and threads would wait for the encoders that the frames go to.
    ...["-v", "error", "-nostdin", "-threads", "1", "-nofind_stream_info", ...readFromFrame(clip, first)],
    ...["-an", "-vf", `scale=${width}:${height}:flags=bicubic+accurate_rnd`],
    ...["-f", "rawvideo", "-pix_fmt", "yuv420p", "pipe:1"],
  ];
  const child = execa("ffmpeg", args, { stdin: "ignore", stderr: "ignore", encoding: "buffer", buffer: false });
  // It is killed when nobody asks for more; a clip that can't be read gives no frame.
  child.catch(() => undefined);
  const bytes = planesBytes(clip);
  const chunks: AsyncIterator<unknown> = child.stdout.iterator();
  let rest: Uint8Array = new Uint8Array(0);
  let current: Uint8Array | null = null;
  let at = first - 1;
  let ended = false;

  // Two frames in turn: the one given out last stays whole while the next is read.
  let [frame, spare] = [new Uint8Array(bytes), new Uint8Array(bytes)];

  async function next(): Promise<Uint8Array | null> {
    [frame, spare] = [spare, frame];
    let filled = 0;
    while (filled < bytes) {
      if (rest.length === 0) {
        const chunk = await chunks.next();
        if (chunk.done) return null;
        const value: unknown = chunk.value;
        // Its encoding is "buffer", which its type does not tell of.
        if (!(value instanceof Uint8Array)) throw new TypeError("The decoder gave text.");
        rest = value;
      }
      const taken = Math.min(rest.length, bytes - filled);
      frame.set(rest.subarray(0, taken), filled);
      filled += taken;
      rest = rest.subarray(taken);
    }
    return frame;
  }

  const hung = (): Error => {
    child.kill("SIGKILL");
    return new ProgramFailed(`The decoder gave nothing for ${patienceMs / 1000} s.`);
  };

  return {
    get at() {
      return at;
    },
    async frame(index) {
      while (at < index && !ended) {
        const planes = await inTime(next(), patienceMs, hung);
        if (planes) {
          current = planes;
          at++;
        } else ended = true;
      }
      return current;
    },
    stop: () => void child.kill("SIGKILL"),
  };
}
