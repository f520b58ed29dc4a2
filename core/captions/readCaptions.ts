import { millis } from "../units";
import { type Cue, inTime } from "./cue";
import { readMarkup } from "./markup";

/** What a caption file says, and what of it can't be kept, in sentences. */
export interface ReadCaptions {
  readonly kind: "SubRip" | "WebVTT";
  readonly cues: readonly Cue[];
  readonly dropped: readonly string[];
}

/** Files longer than this hold no captions of a promotion. */
export const MOST_CHARACTERS = 1_000_000;

/** WebVTT writes hours where there are any and a point; SubRip always writes them, and a comma. Both are taken in both. */
const TIME = String.raw`(?:(\d{1,4}):)?(\d{1,2}):(\d{2})[.,](\d{1,3})`;
const TIMES = new RegExp(String.raw`^\s*${TIME}\s*-->\s*${TIME}(?:[ \t]+(.*))?$`);
const ARROW = "-->";

/**
 * Reads a SubRip or WebVTT file, by the steps of the W3C's WebVTT parser: blocks end with an empty line, a block with an
 * arrow in its first or second line is a cue, and what can't be read is left out. Never throws: a file without a cue has
 * none, and says why.
 */
export function readCaptions(file: string): ReadCaptions {
  const text = file
    .replace(/^\uFEFF/, "")
    .replaceAll("\0", "\uFFFD")
    .replaceAll(/\r\n?/g, "\n");
  const isVtt = /^WEBVTT(?:[ \t\n]|$)/.test(text);
  const blocks = text.split(/\n[ \t]*\n+/).map((block) => block.replaceAll(/^\n+|\n+$/g, ""));
  const notes = openNotes();
  const cues = blocks.flatMap((block, at): Cue[] => {
    if (block.trim() === "" || (isVtt && at === 0 && !block.includes(ARROW))) return [];
    return readBlock(block, isVtt, notes);
  });
  if (cues.length === 0) notes.add("No captions were found in it.");
  return { kind: isVtt ? "WebVTT" : "SubRip", cues: inTime(cues), dropped: notes.sentences() };
}

function readBlock(block: string, isVtt: boolean, notes: Notes): Cue[] {
  const lines = block.split("\n");
  const at = lines.findIndex((line) => line.includes(ARROW));
  if (at < 0) {
    if (/^STYLE\b/.test(block)) notes.add("Its style sheet was left out: captions are set in the brand's style.");
    else if (/^REGION\b/.test(block)) notes.add("Its regions were left out: captions find their own place.");
    else if (!/^NOTE\b/.test(block)) notes.count("left out: no time is given");
    return [];
  }
  const times = TIMES.exec(lines[at] ?? "");
  const [from, to] = times ? [timeOf(times, 1), timeOf(times, 5)] : [null, null];
  if (!times || from === null || to === null) {
    notes.count("left out: its time can't be read");
    return [];
  }
  if (to <= from) {
    notes.count("left out: it ends before it begins");
    return [];
  }
  if ((times[9] ?? "").trim() !== "") notes.add("Places and sizes of captions were left out: they find their own.");
  const { text, dropped } = readMarkup(lines.slice(at + 1).join("\n"), isVtt ? "WebVTT" : "SubRip");
  dropped.forEach((sentence) => notes.add(sentence));
  if (text === "") {
    notes.count("left out: nothing is said in it");
    return [];
  }
  return [{ from: millis(from), to: millis(to), text }];
}

/** Milliseconds; null where minutes or seconds are none. @param first which of the found parts begins the time */
function timeOf(found: RegExpExecArray, first: number): number | null {
  const [hours, minutes, seconds] = [0, 1, 2].map((at) => Number(found[first + at] ?? 0));
  const fraction = Number((found[first + 3] ?? "0").padEnd(3, "0"));
  if (hours === undefined || minutes === undefined || seconds === undefined || minutes > 59 || seconds > 59)
    return null;
  return ((hours * 60 + minutes) * 60 + seconds) * 1000 + fraction;
}

/** What is to be said of a file, each thing once. */
interface Notes {
  add(sentence: string): void;
  count(what: string): void;
  sentences(): string[];
}

function openNotes(): Notes {
  const said = new Set<string>();
  const counted = new Map<string, number>();
  return {
    add: (sentence) => void said.add(sentence),
    count: (what) => void counted.set(what, (counted.get(what) ?? 0) + 1),
    sentences: () => [
      ...said,
      ...[...counted].map(([what, count]) => `${count} ${count === 1 ? "caption was" : "captions were"} ${what}.`),
    ],
  };
}
