import { createWriteStream } from "node:fs";
import { open } from "node:fs/promises";
import { join } from "node:path";
import { pipeline } from "node:stream/promises";
import { Refusal } from "../../core/refusal";
import { sha256Of } from "../storage/sha256";
import { readZip } from "../templates/readZip";

/** A file of a package, as it was unpacked. */
export interface Unpacked {
  readonly name: string;
  readonly path: string;
  readonly bytes: number;
  readonly sha256: string;
}

/** Unpacks a zip into an empty folder, under names of our own. Throws a Refusal in words where it is none, or a trap. */
export async function unpackPackage({
  zip,
  folder,
  name,
}: {
  zip: string;
  folder: string;
  name: string;
}): Promise<Unpacked[]> {
  const file = await open(zip);
  try {
    const files = await readZip(file.fd, name);
    const unpacked: Unpacked[] = [];
    for (const one of files.values()) {
      const path = join(folder, String(unpacked.length));
      await one
        .open()
        .then((inside) => pipeline(inside, createWriteStream(path)))
        .catch(() => {
          throw new Refusal(`“${name}” is damaged at ${one.name}. Export the template again.`);
        });
      unpacked.push({ name: one.name, path, bytes: one.bytes, sha256: await sha256Of(path) });
    }
    return unpacked;
  } finally {
    await file.close();
  }
}
