import { mkdir, mkdtemp, readdir, rm } from "node:fs/promises";
import { hostname } from "node:os";
import { join } from "node:path";
import { config } from "./config";

/** Each process keeps what is under way in a folder of its own, so that what a killed one leaves can be told. */
const allFolders = (): string => join(config().data, "work");
const ownName = (): string => `${hostname()}-${process.pid}`;

/** Runs work in an empty folder that is there for this work alone, and removes it whatever happens. */
export async function inWorkFolder<Result>(
  purpose: string,
  work: (folder: string) => Promise<Result>,
): Promise<Result> {
  const own = join(allFolders(), ownName());
  await mkdir(own, { recursive: true });
  const folder = await mkdtemp(join(own, `${purpose}-`));
  try {
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** Removes what processes of this machine left that are gone. To be called when a process starts. */
export async function tidyWorkFolders(): Promise<void> {
  const names = await readdir(allFolders()).catch(() => []);
  const ofThisMachine = names.filter((name) => name.startsWith(`${hostname()}-`));
  for (const name of ofThisMachine) {
    const pid = Number(name.slice(hostname().length + 1));
    // A folder under our own number is from before we were.
    if (pid === process.pid || !isAlive(pid)) await rm(join(allFolders(), name), { recursive: true, force: true });
  }
}

/** Removes this process's own folder, when it ends. */
export const removeWorkFolder = (): Promise<void> =>
  rm(join(allFolders(), ownName()), { recursive: true, force: true });

/** Whether a process of this machine is there. */
export function isAlive(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error instanceof Error && "code" in error && error.code === "EPERM";
  }
}
