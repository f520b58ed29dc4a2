import { ExecaError, execa } from "execa";
import { type FrameRate } from "../../core/time/frames";
import { HANGS_AFTER_MS, inTime } from "./inTime";
import { ProgramFailed, lastLines } from "./program";

/** Takes frames one after another and makes a file of them. */
export interface FrameEncoder {
  /** Resolves when the encoder has taken the frame, whose bytes are the caller's again: memory does not grow. */
  write(frame: Uint8Array): Promise<void>;
  finish(): Promise<void>;
  stop(): void;
}

export interface RawFrames {
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  readonly rate: FrameRate;
  /** How a frame lies in its bytes, by ffmpeg's name for it: RGBA when absent, or planes of Y, U and V. */
  readonly pixels?: "rgba" | "yuv420p";
}

export interface EncodedFrames extends RawFrames {
  readonly path: string;
  /** ffmpeg's options for the output: filter, codec, tags. */
  readonly settings: readonly string[];
}

/** ffmpeg's options that say what raw frames it is given. */
export const rawFrames = ({ width, height, rate, pixels = "rgba" }: RawFrames): string[] => [
  ...["-f", "rawvideo", "-pix_fmt", pixels],
  ...["-video_size", `${width}x${height}`],
  ...["-framerate", `${rate.numerator}/${rate.denominator}`],
];

/** Starts ffmpeg on raw frames of a fixed size. One that hangs is ended. */
export function startFrameEncoder(file: EncodedFrames, patienceMs = HANGS_AFTER_MS): FrameEncoder {
  const args = [...["-v", "error", "-y", "-nostdin"], ...rawFrames(file), "-i", "pipe:0", ...file.settings, file.path];
  const child = execa("ffmpeg", args, { stdin: "pipe", stdout: "ignore" });
  const ended = child.then(
    () => undefined,
    (error: unknown) => {
      if (!(error instanceof ExecaError)) throw error;
      throw new ProgramFailed(
        `The encoder ended with ${error.exitCode ?? error.signal ?? "an error"}: ${lastLines(error.stderr)}`,
      );
    },
  );
  ended.catch(() => undefined);
  // A broken pipe shows as the encoder's own failure, with its reason.
  child.stdin.on("error", () => undefined);
  const stopped = (how: string) => (): Error => {
    child.kill("SIGKILL");
    return new ProgramFailed(`The encoder ${how} ${patienceMs / 1000} s.`);
  };
  return {
    async write(frame) {
      if (child.exitCode !== null) await ended;
      const taken = new Promise<void>((done, failed) =>
        child.stdin.write(frame, (error) => {
          if (error) failed(error);
          else done();
        }),
      ).catch(() => ended);
      await inTime(Promise.race([taken, ended]), patienceMs, stopped("took nothing for"));
    },
    async finish() {
      child.stdin.end();
      await inTime(ended, patienceMs, stopped("did not end within"));
    },
    stop: () => void child.kill("SIGKILL"),
  };
}
