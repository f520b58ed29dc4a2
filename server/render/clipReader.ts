import { execa } from "execa";
import { type FrameRate } from "../../core/time/frames";
import { SAFE_INPUT } from "../media/program";

/** Frames of a clip in order, as RGBA, decoded at the size needed. */
export interface ClipReader {
  readonly width: number;
  readonly height: number;
  /** The frame with this index, or the last there is. Indices must not go back. The bytes are valid until the next call. */
  frame(index: number): Promise<Uint8ClampedArray | null>;
  stop(): void;
}

/**
 * Reads a clip's working copy (constant rate) from frame `first` on. Memory is one frame, whatever the clip's length.
 */
export function readClip(path: string, rate: FrameRate, first: number, width: number, height: number): ClipReader {
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
    `scale=${width}:${height}:in_color_matrix=bt709:in_range=tv:out_range=pc:flags=bicubic+accurate_rnd+full_chroma_int`,
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
  const chunks = child.stdout.iterator() as AsyncIterator<Buffer, undefined>;
  let rest: Buffer = Buffer.alloc(0);
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
        const { value, done } = await chunks.next();
        if (done) return null;
        rest = value;
      }
      const taken = Math.min(rest.length, bytes - filled);
      frame.set(rest.subarray(0, taken), filled);
      filled += taken;
      rest = rest.subarray(taken);
    }
    return frame;
  }

  return {
    width,
    height,
    async frame(index) {
      while (at < index && !ended) {
        const frame = await next();
        if (frame) {
          current = frame;
          at++;
        } else ended = true;
      }
      return current;
    },
    stop: () => void child.kill("SIGKILL"),
  };
}
