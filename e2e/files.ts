import { execFile } from "node:child_process";
import { promisify } from "node:util";

const run = promisify(execFile);

/** Runs ffmpeg to make a file that a test brings in. */
export async function ffmpeg(...args: string[]): Promise<{ stdout: string; stderr: string }> {
  return run("ffmpeg", ["-v", "info", "-nostats", "-y", ...args], { maxBuffer: 1 << 26 });
}

export interface ProbedFile {
  readonly video: Readonly<Record<string, string | number>>;
  readonly audio: Readonly<Record<string, string | number>>;
  readonly seconds: number;
}

/** What ffprobe says of a file, frames counted by decoding. */
export async function ffprobe(path: string): Promise<ProbedFile> {
  const { stdout } = await run(
    "ffprobe",
    ["-v", "error", "-count_frames", "-show_streams", "-show_format", "-of", "json", path],
    { maxBuffer: 1 << 24 },
  );
  const { streams, format } = JSON.parse(stdout) as { streams: { codec_type: string }[]; format: { duration: string } };
  const stream = (type: string) =>
    (streams.find(({ codec_type }) => codec_type === type) ?? {}) as Record<string, string | number>;
  return { video: stream("video"), audio: stream("audio"), seconds: Number(format.duration) };
}
