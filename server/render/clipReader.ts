import { execa } from "execa";
import { type LookupTable } from "../../core/grading/lookupTable";
import { type FrameRate } from "../../core/time/frames";
import { HANGS_AFTER_MS, inTime } from "../media/inTime";
import { ProgramFailed, SAFE_INPUT } from "../media/program";
import { cubeFile } from "./cubeFile";

/** Frames of a clip as RGBA, decoded at the size needed. */
export interface ClipReader {
  readonly width: number;
  readonly height: number;
  /** The frame with this index, or the last there is. The bytes are valid until the next call. */
  frame(index: number): Promise<Uint8ClampedArray | null>;
  stop(): void;
}

/** A clip's working copy (constant rate), and the size its frames are wanted in. */
export interface ClipToRead {
  readonly path: string;
  readonly rate: FrameRate;
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

/**
 * Reads a clip back and forth. While its frames are asked for in order, memory is one frame, whatever the clip's length;
 * where they go back, the group of pictures that they are in is decoded once and kept. A decoder that hangs is ended.
 */
export function readClip(clip: ClipToRead, patienceMs = HANGS_AFTER_MS): ClipReader {
  const { width, height, rate, frames } = clip;
  const group = Math.max(1, Math.round((GROUP_SECONDS * rate.numerator) / rate.denominator));
  const most = Math.max(1, Math.min(group, Math.floor(MOST_KEPT_BYTES / (width * height * 4))));
  let stream: FrameStream | null = null;
  let kept = new Map<number, Uint8ClampedArray>();

  /** A stream that is at, or will come to, a frame. */
  function streamFrom(first: number): FrameStream {
    stream?.stop();
    return (stream = openFrameStream(clip, first, patienceMs));
  }

  async function goBack(index: number): Promise<Uint8ClampedArray | null> {
    const from = Math.max(0, index - most + 1);
    const back = streamFrom(from);
    kept = new Map();
    let last: Uint8ClampedArray | null = null;
    for (let at = from; at <= index; at++) {
      const pixels = await back.frame(at);
      // Copied, because the stream uses its bytes again.
      if (pixels) kept.set(at, (last = Uint8ClampedArray.from(pixels)));
    }
    return last;
  }

  return {
    width,
    height,
    async frame(wanted) {
      const index = Math.min(wanted, frames - 1);
      const own = kept.get(index);
      if (own) return own;
      if (stream && index < stream.at) return goBack(index);
      const isNear = stream !== null && index - stream.at <= GROUPS_READ_THROUGH * group;
      return (isNear ? stream : streamFrom(index))?.frame(index) ?? null;
    },
    stop: () => stream?.stop(),
  };
}

/** Frames in order, from one on. */
interface FrameStream {
  /** The frame that was read last. */
  readonly at: number;
  /** Reads on until a frame; the last there is, where the clip is shorter. */
  frame(index: number): Promise<Uint8ClampedArray | null>;
  stop(): void;
}

/** Scaled and in full range, with the colours of its table. */
function filterOf({ width, height, table }: ClipToRead): string {
  const scale = `scale=${width}:${height}:in_color_matrix=bt709:in_range=tv:out_range=pc:flags=bicubic+accurate_rnd+full_chroma_int`;
  return table ? `${scale},format=rgba,lut3d=file=${cubeFile(table)}:interp=tetrahedral` : scale;
}

function openFrameStream(clip: ClipToRead, first: number, patienceMs: number): FrameStream {
  const { path, rate, width, height } = clip;
  // Half a frame early, so that rounding never lands one frame late.
  const seek = Math.max(0, ((first - 0.5) * rate.denominator) / rate.numerator);
  const args = [
    "-v",
    "error",
    "-nostdin",
    "-threads",
    "2",
    ...SAFE_INPUT,
    "-f",
    "mov",
    "-ss",
    seek.toFixed(6),
    "-i",
    path,
    "-an",
    "-vf",
    filterOf(clip),
    "-f",
    "rawvideo",
    "-pix_fmt",
    "rgba",
    "pipe:1",
  ];
  const child = execa("ffmpeg", args, { stdin: "ignore", stderr: "ignore", encoding: "buffer", buffer: false });
  // It is killed when nobody asks for more; a clip that can't be read gives no frame.
  child.catch(() => undefined);
  const bytes = width * height * 4;
  const chunks: AsyncIterator<unknown> = child.stdout.iterator();
  let rest: Uint8Array = new Uint8Array(0);
  let current: Uint8ClampedArray | null = null;
  let at = first - 1;
  let ended = false;

  // Two frames in turn: the one given out last stays whole while the next is read.
  let [frame, spare] = [new Uint8ClampedArray(bytes), new Uint8ClampedArray(bytes)];

  async function next(): Promise<Uint8ClampedArray | null> {
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
        const pixels = await inTime(next(), patienceMs, hung);
        if (pixels) {
          current = pixels;
          at++;
        } else ended = true;
      }
      return current;
    },
    stop: () => void child.kill("SIGKILL"),
  };
}
