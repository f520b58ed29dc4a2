import { Readable } from "node:stream";
import { type Entry, type ZipFile, fromFd } from "yauzl";
import { UploadProblem } from "../media/uploadProblem";

/** One file of a zip. Its bytes can be read once. */
export interface ZippedFile {
  readonly name: string;
  readonly bytes: number;
  /** Streams what is inside; ends with an error when it is more than it says. */
  open(): Promise<Readable>;
}

const MOST_FILES = 80;
const MOST_BYTES = 400_000_000;
/** What is packed tighter than this is a bomb: pictures and clips hardly get smaller, and JSON not by that much. */
const MOST_RATIO = 200;

const isUsualName = (name: string): boolean =>
  !name.endsWith("/") && !name.includes("\\") && !name.startsWith("/") && !name.split("/").includes("..");

/**
 * The files of a zip, by name, in an open file. Names that lead out of the zip, too many files, too many bytes and bombs
 * are refused in words. yauzl checks that no file is larger than the zip says.
 */
export async function readZip(fd: number, zipName: string): Promise<Map<string, ZippedFile>> {
  const refuse = (why: string): UploadProblem => new UploadProblem(`“${zipName}” ${why}`);
  const zip = await new Promise<ZipFile>((resolve, reject) => {
    fromFd(fd, { autoClose: false, lazyEntries: true, strictFileNames: true }, (error, file) =>
      error ? reject(refuse("is not a zip, or it is damaged. Export the template again.")) : resolve(file),
    );
  });
  const files = new Map<string, ZippedFile>();
  let bytes = 0;
  await new Promise<void>((resolve, reject) => {
    zip.on("error", () => reject(refuse("is damaged, or has names that lead out of it. Export the template again.")));
    zip.on("end", resolve);
    zip.on("entry", (entry: Entry) => {
      bytes += entry.uncompressedSize;
      const name = entry.fileName;
      if (files.size >= MOST_FILES) {
        reject(refuse(`holds more than ${MOST_FILES} files.`));
        return;
      }
      if (bytes > MOST_BYTES) {
        reject(refuse(`unpacks to more than ${MOST_BYTES / 1e6} MB.`));
        return;
      }
      if (entry.uncompressedSize > 1_000_000 && entry.uncompressedSize > entry.compressedSize * MOST_RATIO) {
        reject(refuse("is packed so tightly that it must be a trap."));
        return;
      }
      if (!name.endsWith("/")) {
        if (!isUsualName(name) || files.has(name)) {
          reject(refuse(`holds a file with a name that can’t be used: “${name.slice(0, 80)}”.`));
          return;
        }
        files.set(name, { name, bytes: entry.uncompressedSize, open: () => openEntry(zip, entry) });
      }
      zip.readEntry();
    });
    zip.readEntry();
  });
  return files;
}

const openEntry = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((resolve, reject) =>
    zip.openReadStream(entry, (error, stream) => (error ? reject(error) : resolve(new Readable().wrap(stream)))),
  );
