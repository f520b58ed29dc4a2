import { spawn } from "node:child_process";
import { once } from "node:events";
import { type FrameRate } from "../../core/time/frames";
import { BT709 } from "../media/clipIngest";
import { ProgramFailed } from "../media/program";

/** Bumped when the settings below change, so that stored segments are not mixed with new ones. */
export const ENCODER_VERSION = 1;

/** Bitstream settings shared by every segment, so that segments join without re-encoding. Closed groups of at most 2 s. */
export function encodeSettings(rate: FrameRate): string[] {
  const keyEvery = Math.round((2 * rate.numerator) / rate.denominator);
  return [
    "-vf",
    "scale=out_color_matrix=bt709:out_range=tv:flags=bicubic+accurate_rnd+full_chroma_int,format=yuv420p,setsar=1",
    "-c:v",
    "libx264",
    "-preset",
    "veryfast",
    "-profile:v",
    "high",
    "-crf",
    "19",
    "-threads",
    "2",
    "-g",
    String(keyEvery),
    "-keyint_min",
    "1",
    "-x264-params",
    "open-gop=0",
    ...BT709,
    "-video_track_timescale",
    String(rate.numerator * (rate.denominator === 1 ? 512 : 1)),
  ];
}

export const rawFrames = (width: number, height: number, rate: FrameRate): string[] => [
  "-f",
  "rawvideo",
  "-pix_fmt",
  "rgba",
  "-video_size",
  `${width}x${height}`,
  "-framerate",
  `${rate.numerator}/${rate.denominator}`,
];

/** Takes frames one after another and makes a file of them. */
export interface Encoder {
  /** Resolves when the encoder is ready for more: the caller waits, so memory does not grow. */
  write(frame: Uint8Array): Promise<void>;
  finish(): Promise<void>;
  stop(): void;
}

/** Starts ffmpeg on raw RGBA frames of a fixed size. */
export function startEncoder(path: string, width: number, height: number, rate: FrameRate): Encoder {
  const args = [
    "-v",
    "error",
    "-y",
    "-nostdin",
    ...rawFrames(width, height, rate),
    "-i",
    "pipe:0",
    "-an",
    ...encodeSettings(rate),
    path,
  ];
  const child = spawn("ffmpeg", args, { stdio: ["pipe", "ignore", "pipe"] });
  let complaints = "";
  child.stderr.setEncoding("utf8").on("data", (chunk: string) => (complaints = (complaints + chunk).slice(-4000)));
  const ended = new Promise<void>((resolve, reject) => {
    child.on("error", reject);
    child.on("close", (code) =>
      code === 0 ? resolve() : reject(new ProgramFailed(`The encoder ended with ${code}: ${complaints.trim()}`)),
    );
  });
  ended.catch(() => undefined);
  // A broken pipe shows as the encoder's own failure, with its reason.
  child.stdin.on("error", () => undefined);
  return {
    async write(frame) {
      if (child.exitCode !== null) await ended;
      if (!child.stdin.write(frame)) await Promise.race([once(child.stdin, "drain"), ended]);
    },
    async finish() {
      child.stdin.end();
      await ended;
    },
    stop: () => void child.kill("SIGKILL"),
  };
}
