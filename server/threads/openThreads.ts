import { resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { Piscina } from "piscina";
import { programOf } from "../program";

type PoolOptions = NonNullable<ConstructorParameters<typeof Piscina>[0]>;

/** Threads that each run the default function of a TypeScript file, one task at a time. */
export interface Threads<Task, Result> {
  /** Runs a task when a thread is free. Rejects with what the function throws, or when its thread dies. */
  run(task: Task, options?: Parameters<Piscina["run"]>[1]): Promise<Result>;
  /** Ends all threads at once; what still runs or waits rejects. */
  end(): Promise<void>;
}

/**
 * @param entry the file, named from the project's root, whose default export takes a `Task` and gives a `Result`
 * @param options how many threads there are, and how long an idle one is kept
 */
export function openThreads<Task, Result>(
  entry: string,
  options: Pick<PoolOptions, "minThreads" | "maxThreads" | "idleTimeout">,
): Threads<Task, Result> {
  const pool = new Piscina<Task, Result>({
    filename: pathToFileURL(resolve("server/threads/bootstrap.mjs")).href,
    workerData: { entry: pathToFileURL(programOf(entry).file).href },
    // Idle threads go on hearing from the programs they started; waiting on a lock would make them deaf.
    atomics: "disabled",
    ...options,
  });
  return { run: (task, runOptions) => pool.run(task, runOptions), end: () => pool.destroy() };
}
