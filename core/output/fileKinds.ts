import { keysOf } from "../records";

/** What a file can be made as. */
interface FileKind {
  readonly title: string;
  /** What it is good for, in a few words. */
  readonly about: string;
  readonly ending: string;
  /** Its media type (RFC 6838). */
  readonly type: string;
  readonly isMoving: boolean;
  readonly hasSound: boolean;
  /** Whether it can be kept under a number of bytes. */
  readonly takesLimit: boolean;
}

export const FILE_KINDS = {
  mp4: {
    ...{ title: "MP4, H.264", about: "plays everywhere", ending: "mp4", type: "video/mp4" },
    ...{ isMoving: true, hasSound: true, takesLimit: true },
  },
  hevc: {
    ...{ title: "MP4, HEVC", about: "smaller, for newer players", ending: "mp4", type: "video/mp4" },
    ...{ isMoving: true, hasSound: true, takesLimit: true },
  },
  webm: {
    ...{ title: "WebM, VP9", about: "for web pages", ending: "webm", type: "video/webm" },
    ...{ isMoving: true, hasSound: true, takesLimit: true },
  },
  av1: {
    ...{ title: "WebM, AV1", about: "smallest, for newer browsers", ending: "webm", type: "video/webm" },
    ...{ isMoving: true, hasSound: true, takesLimit: true },
  },
  webp: {
    ...{ title: "Loop, WebP", about: "plays by itself, silent", ending: "webp", type: "image/webp" },
    ...{ isMoving: true, hasSound: false, takesLimit: false },
  },
  gif: {
    ...{ title: "Loop, GIF", about: "plays by itself where nothing else does", ending: "gif", type: "image/gif" },
    ...{ isMoving: true, hasSound: false, takesLimit: false },
  },
  still: {
    ...{ title: "Still, PNG", about: "the first scene, settled", ending: "png", type: "image/png" },
    ...{ isMoving: false, hasSound: false, takesLimit: false },
  },
  sound: {
    ...{ title: "Sound alone", about: "AAC, for a page or the radio", ending: "m4a", type: "audio/mp4" },
    ...{ isMoving: false, hasSound: true, takesLimit: false },
  },
} as const satisfies Readonly<Record<string, FileKind>>;
export type FileKindName = keyof typeof FILE_KINDS;
export const FILE_KIND_NAMES = keysOf(FILE_KINDS);

export const isFileKind = (value: unknown): value is FileKindName =>
  typeof value === "string" && Object.hasOwn(FILE_KINDS, value);
