import { ExecaError, execa } from "execa";

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
  /** What it reads; nothing when absent. */
  readonly input?: string;
}

const MOST_OUTPUT = 16_000_000;

/**
 * Runs a program with an argument array, no shell. Gives its output; throws ProgramFailed with the end of its complaints,
 * or when `signal` stops it.
 */
export async function runProgram(
  program: "ffmpeg" | "ffprobe" | "espeak-ng",
  args: readonly string[],
  { timeLimitMs, signal, onLine, input }: RunOptions,
): Promise<{ stdout: string; stderr: string }> {
  const watched = function* (line: unknown) {
    onLine?.(String(line));
    yield line;
  };
  try {
    const { stdout, stderr } = await execa(program, args, {
      ...(input === undefined ? { stdin: "ignore" as const } : { input }),
      stdout: onLine ? watched : "pipe",
      timeout: timeLimitMs,
      killSignal: "SIGKILL",
      maxBuffer: MOST_OUTPUT,
      ...(signal ? { cancelSignal: signal } : {}),
    });
    return { stdout, stderr };
  } catch (error) {
    if (!(error instanceof ExecaError)) throw error;
    throw new ProgramFailed(`${program} ${howItEnded(error, timeLimitMs)}: ${lastLines(error.stderr)}`);
  }
}

/** How a program ended, as execa says it. */
interface EndedProgram {
  readonly timedOut: boolean;
  readonly isCanceled: boolean;
  readonly exitCode?: number | undefined;
  readonly code?: string | undefined;
}

function howItEnded({ timedOut, isCanceled, exitCode, code }: EndedProgram, timeLimitMs: number): string {
  if (timedOut) return `was stopped after ${Math.round(timeLimitMs / 1000)} s`;
  if (isCanceled) return "was stopped";
  return exitCode === undefined ? `could not be run (${code ?? "killed"})` : `ended with ${exitCode}`;
}

/** The end of what a program complained of, on one line. */
export const lastLines = (stderr: unknown): string =>
  typeof stderr === "string" ? stderr.trim().split("\n").slice(-3).join(" / ") : "";
