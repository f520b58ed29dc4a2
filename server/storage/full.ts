import { statfs } from "node:fs/promises";
import { config } from "../config";

/** Whether an error, or what caused it, is that a disk has no room left. Programs that we start say it in words. */
export function isStorageFull(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const code = "code" in error ? error.code : "";
  return code === "ENOSPC" || /no space left on device/i.test(error.message) || isStorageFull(error.cause);
}

/** Bytes that are free where files are kept. */
export async function freeBytes(): Promise<number> {
  const { bavail, bsize } = await statfs(config().data);
  return bavail * bsize;
}

/** Whether there is room for work: less than this, and a file under way would fill the disk. */
export const hasRoom = async (): Promise<boolean> => (await freeBytes()) >= config().LEAST_FREE_BYTES;

export const NO_ROOM = "The disk that files are kept on is full.";

/** Throws StorageFull where there is no room for work. */
export async function needRoom(): Promise<void> {
  if (!(await hasRoom())) throw new StorageFull();
}

/** There is no room to begin. */
export class StorageFull extends Error {
  override readonly name = "StorageFull";
  readonly code = "ENOSPC";
  constructor() {
    super(NO_ROOM);
  }
}
