import { readEmphasis } from "../type/emphasis";
import { type Cue, inTime } from "./cue";

export const CAPTION_FILES = ["vtt", "srt"] as const;
export type CaptionFile = (typeof CAPTION_FILES)[number];

const two = (value: number): string => String(value).padStart(2, "0");
function written(ms: number, point: "." | ","): string {
  const [hours, minutes, seconds] = [
    Math.floor(ms / 3_600_000),
    Math.floor(ms / 60_000) % 60,
    Math.floor(ms / 1000) % 60,
  ];
  return `${two(hours)}:${two(minutes)}:${two(seconds)}${point}${String(Math.round(ms) % 1000).padStart(3, "0")}`;
}

const escaped = (text: string): string => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;").replaceAll(">", "&gt;");

/**
 * Words with what is emphasised in italics, without the empty lines that would end a caption.
 * @param escape what a kind of file can't hold as it is
 */
function tagged(text: string, escape: (text: string) => string): string {
  const { text: words, marks } = readEmphasis(text);
  let at = 0;
  let out = "";
  for (const { start, end } of marks) {
    out += `${escape(words.slice(at, start))}<i>${escape(words.slice(start, end))}</i>`;
    at = end;
  }
  return (out + escape(words.slice(at)))
    .split("\n")
    .filter((line) => line.trim() !== "")
    .join("\n");
}

/** Captions as a WebVTT file (W3C WebVTT 1: a header, then cues with their times). */
export const writeVtt = (cues: readonly Cue[]): string =>
  `WEBVTT\n\n${inTime(cues)
    .map(({ from, to, text }) => `${written(from, ".")} --> ${written(to, ".")}\n${tagged(text, escaped)}\n`)
    .join("\n")}`;

/** Captions as a SubRip file: numbered from 1, times with a comma. */
export const writeSrt = (cues: readonly Cue[]): string =>
  inTime(cues)
    .map(
      ({ from, to, text }, index) =>
        `${index + 1}\n${written(from, ",")} --> ${written(to, ",")}\n${tagged(text, (plain) => plain)}\n`,
    )
    .join("\n");

interface TypedText {
  /** A media type, with its character set. */
  readonly type: string;
  readonly body: string;
}

/** What captions are as a file. */
export const captionsAs = (kind: CaptionFile, cues: readonly Cue[]): TypedText =>
  kind === "vtt"
    ? { type: "text/vtt; charset=utf-8", body: writeVtt(cues) }
    : { type: "application/x-subrip; charset=utf-8", body: writeSrt(cues) };
