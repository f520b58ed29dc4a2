import { createHash } from "node:crypto";
import { open } from "node:fs/promises";
import { UploadProblem } from "../media/uploadProblem";
import { NO_ROOM, isStorageFull } from "../storage/full";

/** A file that a body is written to. */
export interface SpoolFile {
  appendFile(part: Uint8Array): Promise<void>;
  close(): Promise<void>;
}

/** What was written of a body. */
export interface Spooled {
  readonly sha256: string;
  readonly bytes: number;
}

/**
 * Writes a body to a file as it comes, counting and hashing. Throws an UploadProblem where it is too large or the disk is
 * full; what is still to come is read to its end then, because whoever sends it hears no answer before.
 *
 * @param most bytes, and what is said of more
 */
export async function spoolBody(
  body: ReadableStream<Uint8Array>,
  path: string,
  { name, most, tooLarge }: { readonly name: string; readonly most: number; readonly tooLarge: string },
  openFile: (path: string) => Promise<SpoolFile> = (wanted) => open(wanted, "w"),
): Promise<Spooled> {
  const hash = createHash("sha256");
  const reader = body.getReader();
  const file = await openFile(path);
  let bytes = 0;
  let failed: unknown = null;
  try {
    for (let part = await reader.read(); !part.done; part = await reader.read()) {
      bytes += part.value.length;
      if (bytes > most) failed ??= new UploadProblem(tooLarge);
      if (failed !== null) continue;
      hash.update(part.value);
      await file.appendFile(part.value).catch((error: unknown) => {
        failed = isStorageFull(error) ? new UploadProblem(`“${name}” was not kept. ${NO_ROOM}`) : error;
      });
    }
  } finally {
    await file.close();
  }
  if (failed instanceof Error) throw failed;
  return { sha256: hash.digest("hex"), bytes };
}
