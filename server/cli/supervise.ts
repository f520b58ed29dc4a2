import { type ChildProcess, spawn } from "node:child_process";
import { once } from "node:events";

/** What a process that is started again finds out about the one before it: `PID BROKE`, of the one that ended. */
export const ENDED_BEFORE = "STENCILCRAFT_ENDED_BEFORE";

const STOP_WITHIN_MS = 12_000;
const FIRST_WAIT_MS = 100;
const LONGEST_WAIT_MS = 10_000;
/** One that ran for so long was well: when it ends, it is started again at once. */
const WELL_AFTER_MS = 10_000;

export interface Supervised {
  /** Asks it to end, ends it after a while, and does not start it again. */
  stop(): Promise<void>;
}

interface Program {
  /** What Node is told: a file, what comes before it, and its arguments. */
  readonly args: readonly string[];
  readonly env: NodeJS.ProcessEnv;
}

/**
 * Runs a program and starts it again whenever it ends, waiting longer each time that it broke soon after it began. What it
 * started itself ends with it: nothing of an old one works on beside the new.
 *
 * @param onEnd told how it ended; gives whether it is to be started again
 */
export function supervise({ args, env }: Program, onEnd: (how: string) => boolean = () => true): Supervised {
  let stopping = false;
  let wait = FIRST_WAIT_MS;
  let child = begin({});

  function begin(more: NodeJS.ProcessEnv): ChildProcess {
    const started = Date.now();
    // A group of its own, so that Ctrl-C reaches it through us and once only, and its children can be ended with it.
    const process = spawn(globalThis.process.execPath, args, {
      env: { ...env, ...more },
      stdio: ["ignore", "inherit", "inherit"],
      detached: true,
    });
    process.on("exit", (code, signal) => {
      endGroup(process);
      if (stopping || !onEnd(String(code ?? signal))) return;
      const broke = hasBroken(code, signal);
      // One that somebody killed would run on; one that breaks as soon as it runs would break again.
      const wasWell = !broke || Date.now() - started >= WELL_AFTER_MS;
      wait = wasWell ? FIRST_WAIT_MS : Math.min(LONGEST_WAIT_MS, wait * 2);
      const ended = `${process.pid} ${broke ? "BROKE" : "STOPPED"}`;
      setTimeout(() => stopping || (child = begin({ [ENDED_BEFORE]: ended })), wait);
    });
    return process;
  }

  return {
    async stop() {
      stopping = true;
      if (child.exitCode !== null || child.signalCode !== null) return;
      const ended = once(child, "exit");
      child.kill("SIGTERM");
      const late = setTimeout(() => endGroup(child), STOP_WITHIN_MS);
      await ended;
      clearTimeout(late);
    },
  };
}

/** Whether a process ended by what it did itself, rather than by somebody's wish. */
const hasBroken = (code: number | null, signal: NodeJS.Signals | null): boolean =>
  signal === null ? code !== 0 : !["SIGKILL", "SIGTERM", "SIGINT", "SIGHUP"].includes(signal);

function endGroup({ pid }: ChildProcess): void {
  if (pid === undefined) return;
  try {
    process.kill(-pid, "SIGKILL");
  } catch {
    // Nothing of it is left.
  }
}

/** The process before this one, if it ended by what it did itself. @param ended the value of `ENDED_BEFORE` */
export function brokeBefore(ended: string | undefined): number | null {
  const [pid, how] = (ended ?? "").split(" ");
  return how === "BROKE" ? Number(pid) : null;
}
