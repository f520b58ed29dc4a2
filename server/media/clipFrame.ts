import { type FrameRate } from "../../core/time/frames";
import { SAFE_INPUT, runProgram } from "./program";

/** A working copy of a clip: at a constant rate. */
export interface WorkingCopy {
  readonly path: string;
  readonly rate: FrameRate;
}

/**
 * ffmpeg's options that read a working copy from a frame on. They say the very time at which it begins: a moment before one
 * that begins a group of pictures, the group before would be decoded for nothing. Less than a microsecond is cut off, which
 * is less than what a file counts in, so that it never lands one frame late.
 */
export function readFromFrame({ path, rate: { numerator, denominator } }: WorkingCopy, frame: number): string[] {
  const seconds = Math.floor((frame * denominator * 1e6) / numerator) / 1e6;
  return [...SAFE_INPUT, "-f", "mov", "-ss", seconds.toFixed(6), "-i", path];
}

/** Writes a frame of a working copy as a picture. @param filter ffmpeg's, for what becomes of it @param file where to */
export async function writeFrame(copy: WorkingCopy, frame: number, filter: string, file: string): Promise<void> {
  const read = ["-v", "error", "-y", "-nostdin", ...readFromFrame(copy, frame)];
  await runProgram("ffmpeg", [...read, "-frames:v", "1", "-vf", filter, file], { timeLimitMs: 60_000 });
}
