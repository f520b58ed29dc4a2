import { open } from "node:fs/promises";
import { fileTypeFromFile } from "file-type";
import sharp from "sharp";
import { UploadProblem } from "./uploadProblem";

export type MediaKind = "picture" | "clip" | "sound";

/** What a file is by its own bytes: never by its name or what the browser said. */
export interface SniffedType {
  readonly kind: MediaKind;
  readonly mime: string;
  /** The one ffmpeg demuxer allowed to read it; empty for pictures. */
  readonly demuxer: string;
}

const TYPES: Readonly<Record<string, Omit<SniffedType, "mime">>> = {
  "image/jpeg": { kind: "picture", demuxer: "" },
  "image/png": { kind: "picture", demuxer: "" },
  "image/apng": { kind: "picture", demuxer: "" },
  "image/webp": { kind: "picture", demuxer: "" },
  "image/avif": { kind: "picture", demuxer: "" },
  "image/gif": { kind: "picture", demuxer: "gif" },
  "video/vnd.avi": { kind: "clip", demuxer: "avi" },
  "video/x-msvideo": { kind: "clip", demuxer: "avi" },
  "video/mp4": { kind: "clip", demuxer: "mov" },
  "video/x-m4v": { kind: "clip", demuxer: "mov" },
  "video/quicktime": { kind: "clip", demuxer: "mov" },
  "video/webm": { kind: "clip", demuxer: "matroska" },
  "video/matroska": { kind: "clip", demuxer: "matroska" },
  "audio/wav": { kind: "sound", demuxer: "wav" },
  "audio/mpeg": { kind: "sound", demuxer: "mp3" },
  "audio/x-m4a": { kind: "sound", demuxer: "mov" },
  "audio/ogg": { kind: "sound", demuxer: "ogg" },
  "audio/ogg; codecs=opus": { kind: "sound", demuxer: "ogg" },
  "audio/flac": { kind: "sound", demuxer: "flac" },
  "audio/x-flac": { kind: "sound", demuxer: "flac" },
};

const ACCEPTED = "Bring pictures as JPEG, PNG, WebP, AVIF, GIF or SVG, and clips as MP4, MOV, WebM, AVI or moving GIF.";

/** What is taken in another place, and where. */
const ELSEWHERE: readonly { readonly kinds: RegExp; readonly words: string }[] = [
  { kinds: /^font\/|opentype/, words: "is a typeface. Add it in the brand book, under “Typefaces”." },
  {
    kinds: /^application\/zip$/,
    words: "is a ZIP file. If it is a template package, bring it on the Templates page; else unpack it first.",
  },
];

/** Tells a file's type from its bytes. Throws an UploadProblem that names the file when it is none we take. */
export async function sniffType(path: string, name: string): Promise<SniffedType> {
  const head = await readHead(path);
  if (head.length === 0)
    throw new UploadProblem(`“${name}” is empty (0 bytes). Export or copy it again, then bring it once more.`);
  const found = await fileTypeFromFile(path);
  const known = found && TYPES[found.mime];
  if (found?.mime === "image/gif" && (await moves(path))) return { kind: "clip", mime: found.mime, demuxer: "gif" };
  if (found && known) return { ...known, mime: found.mime };
  if (looksLikeSvg(head)) return { kind: "picture", mime: "image/svg+xml", demuxer: "" };
  const place = found && ELSEWHERE.find(({ kinds }) => kinds.test(found.mime))?.words;
  if (place) throw new UploadProblem(`“${name}” ${place}`);
  const seen = found
    ? `is ${found.mime}`
    : isText(head)
      ? "is plain text inside, whatever its name says"
      : "is of a kind we do not know";
  throw new UploadProblem(`“${name}” ${seen}. ${ACCEPTED}`);
}

/** Whether a GIF has more than one picture. */
const moves = (path: string): Promise<boolean> =>
  sharp(path, { limitInputPixels: false })
    .metadata()
    .then(
      ({ pages = 1 }) => pages > 1,
      () => false,
    );

async function readHead(path: string): Promise<Buffer> {
  const file = await open(path, "r");
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(4096), 0, 4096, 0);
    return buffer.subarray(0, bytesRead);
  } finally {
    await file.close();
  }
}

const looksLikeSvg = (head: Buffer): boolean =>
  /^\s*(<\?xml[^>]*>\s*)?(<!--[\s\S]*?-->\s*)*(<!DOCTYPE\s+svg(?:[^>[]|\[[^\]]*\])*>\s*)?<svg[\s>]/i.test(
    head.toString("utf8").replace(/^\ufeff/, ""),
  );

const isText = (head: Buffer): boolean => !head.includes(0) && !head.toString("utf8").includes("\ufffd");
