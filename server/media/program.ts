import { spawn } from "node:child_process";

/** Options every call of ffmpeg and ffprobe has: local files and pipes only, quiet, no questions. */
export const SAFE_INPUT = ["-protocol_whitelist", "file,pipe,fd"] as const;

export class ProgramFailed extends Error {
  override readonly name = "ProgramFailed";
}

interface RunOptions {
  readonly timeLimitMs: number;
  readonly signal?: AbortSignal;
  /** Called with each line of standard output as it comes. */
  readonly onLine?: (line: string) => void;
}

const MOST_OUTPUT = 4_000_000;

/** Runs a program with an argument array, no shell. Gives its output; throws ProgramFailed with the end of its complaints. */
export function runProgram(
  program: "ffmpeg" | "ffprobe",
  args: readonly string[],
  { timeLimitMs, signal, onLine }: RunOptions,
): Promise<{ stdout: string; stderr: string }> {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, {
      stdio: ["ignore", "pipe", "pipe"],
      signal,
      timeout: timeLimitMs,
      killSignal: "SIGKILL",
    });
    let stdout = "";
    let stderr = "";
    let pending = "";
    child.stdout.setEncoding("utf8").on("data", (chunk: string) => {
      if (stdout.length < MOST_OUTPUT) stdout += chunk;
      if (!onLine) return;
      const lines = (pending + chunk).split("\n");
      pending = lines.pop() ?? "";
      lines.forEach(onLine);
    });
    child.stderr.setEncoding("utf8").on("data", (chunk: string) => {
      stderr = (stderr + chunk).slice(-MOST_OUTPUT);
    });
    child.on("error", reject);
    child.on("close", (code, killed) => {
      if (code === 0) return resolve({ stdout, stderr });
      const why = killed ? `was stopped after ${Math.round(timeLimitMs / 1000)} s` : `ended with ${code}`;
      reject(new ProgramFailed(`${program} ${why}: ${stderr.trim().split("\n").slice(-3).join(" / ")}`));
    });
  });
}
