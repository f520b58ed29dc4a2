import { type ChildProcess, fork } from "node:child_process";
import { readFile } from "node:fs/promises";
import { log } from "../log";
import { programOf } from "../program";
import { UploadProblem } from "../media/uploadProblem";
// Erased as a whole: the child itself must never run in this process.
import type { Answered, ForeignTasks, Told } from "./child";

/** What reading one file may take. */
export interface ForeignLimits {
  readonly longestMs: number;
  readonly mostMemoryBytes: number;
}
const LIMITS: ForeignLimits = { longestMs: 20_000, mostMemoryBytes: 1_500_000_000 };
const WATCH_EVERY_MS = 100;
/** An idle child is kept so long: starting another takes most of a second. */
const IDLE_MS = 60_000;
const MOST_CHILDREN = 4;
const PAGE_BYTES = 4096;

interface Idle {
  readonly child: ChildProcess;
  readonly end: NodeJS.Timeout;
}
const idle: Idle[] = [];
let running = 0;
const waiting: (() => void)[] = [];

/** Why a child ended before it answered. */
class ChildEnded extends Error {
  constructor(readonly why: "time" | "memory" | "broke") {
    super(`The reader ended: ${why}.`);
  }
}

/**
 * Reads a file from outside in a process of its own, within limits of time and memory. Throws an UploadProblem in words
 * where the file is refused, takes too much, or breaks the reader twice; other people's files are read meanwhile.
 *
 * @param name what the file is called, for the words
 */
export async function readForeign<Task extends Told>(
  told: Task,
  name: string,
  limits = LIMITS,
): Promise<Awaited<ReturnType<ForeignTasks[Task["task"]]>>> {
  for (let attempt = 1; ; attempt++)
    try {
      const answer = await withChild((child) => askChild(child, told, limits));
      if ("refused" in answer) throw new UploadProblem(answer.refused);
      if ("broke" in answer) throw new Error(`Reading “${name}” failed: ${answer.broke}`);
      // What a task gives is of its own type; it came as a message.
      return answer.value as Awaited<ReturnType<ForeignTasks[Task["task"]]>>;
    } catch (error) {
      if (!(error instanceof ChildEnded)) throw error;
      log.warn({ task: told.task, file: name, why: error.why, attempt }, "a reader of foreign files was ended");
      if (error.why === "time")
        throw new UploadProblem(`“${name}” takes too long to be read. Bring it in a simpler form.`);
      if (error.why === "memory")
        throw new UploadProblem(`“${name}” needs too much memory to be read. Bring it in a simpler form.`);
      if (attempt === 2)
        throw new UploadProblem(
          `“${name}” breaks the program that reads it, twice. Export it anew, perhaps in another format.`,
        );
    }
}

async function withChild<Result>(work: (child: ChildProcess) => Promise<Result>): Promise<Result> {
  if (running >= MOST_CHILDREN) await new Promise<void>((begin) => waiting.push(begin));
  running++;
  const child = takeIdle() ?? startChild();
  try {
    const result = await work(child);
    keepIdle(child);
    return result;
  } catch (error) {
    child.kill("SIGKILL");
    throw error;
  } finally {
    running--;
    waiting.shift()?.();
  }
}

function startChild(): ChildProcess {
  const { file, options } = programOf("server/foreign/child.ts");
  const child = fork(file, {
    execArgv: [...options],
    serialization: "advanced",
    stdio: ["ignore", "ignore", "ignore", "ipc"],
  });
  child.on("error", (error) => log.warn({ error: error.message }, "a reader of foreign files failed"));
  return child;
}

function takeIdle(): ChildProcess | null {
  for (let one = idle.pop(); one; one = idle.pop()) {
    clearTimeout(one.end);
    if (one.child.connected && one.child.exitCode === null) {
      one.child.ref();
      one.child.channel?.ref();
      return one.child;
    }
  }
  return null;
}

/** It does not keep our own process alive while it has nothing to do. */
function keepIdle(child: ChildProcess): void {
  child.unref();
  child.channel?.unref();
  const end = setTimeout(() => {
    idle.splice(0, idle.length, ...idle.filter((one) => one.child !== child));
    child.kill("SIGKILL");
  }, IDLE_MS).unref();
  idle.push({ child, end });
}

function askChild(child: ChildProcess, told: Told, { longestMs, mostMemoryBytes }: ForeignLimits): Promise<Answered> {
  return new Promise((resolve, reject) => {
    const stop = (why: ChildEnded["why"]): void => {
      done();
      reject(new ChildEnded(why));
    };
    const late = setTimeout(() => stop("time"), longestMs);
    const watch = setInterval(() => {
      void memoryOf(child).then((bytes) => bytes > mostMemoryBytes && stop("memory"));
    }, WATCH_EVERY_MS);
    const onExit = (): void => stop("broke");
    const onMessage = (answer: unknown): void => {
      done();
      if (isAnswer(answer)) resolve(answer);
      else stop("broke");
    };
    const done = (): void => {
      clearTimeout(late);
      clearInterval(watch);
      child.off("exit", onExit).off("message", onMessage);
    };
    child.once("exit", onExit).once("message", onMessage);
    child.send(told, (error) => {
      if (error) stop("broke");
    });
  });
}

const isAnswer = (value: unknown): value is Answered =>
  typeof value === "object" && value !== null && ("value" in value || "refused" in value || "broke" in value);

/** Memory that a child holds, as the kernel counts it (proc(5), statm); 0 where that is not told. */
async function memoryOf({ pid }: ChildProcess): Promise<number> {
  const said = await readFile(`/proc/${pid}/statm`, "utf8").catch(() => "");
  return Number(said.split(" ")[1] ?? 0) * PAGE_BYTES;
}
