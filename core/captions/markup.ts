import { readEmphasis } from "../type/emphasis";

/** Tags that mean emphasis in both kinds of file. */
const EMPHASIS = /<(?:b|i|u)(?:\.[^>]*)?>|<\/(?:b|i|u)>/gi;
const TAG = /<[^>\n]*>/g;
/** What some programs write into SubRip for places and colours. */
const BRACES = /\{\\[^}]*\}/g;
const COORDINATES = /^\s*X1:\d+ X2:\d+ Y1:\d+ Y2:\d+\s*$/;

const ENTITIES: Readonly<Record<string, string>> = {
  "&amp;": "&",
  "&lt;": "<",
  "&gt;": ">",
  "&nbsp;": "\u00A0",
  "&lrm;": "\u200E",
  "&rlm;": "\u200F",
};
const ENTITY = /&(?:amp|lt|gt|nbsp|lrm|rlm);/g;

/** The words of a cue as ours are written, and what of its styling can't be kept. Bold, italic and underlined words stay emphasised. */
export function readMarkup(
  raw: string,
  kind: "SubRip" | "WebVTT",
): { readonly text: string; readonly dropped: readonly string[] } {
  const dropped = new Set<string>();
  const leave = (sentence: string) => (): string => {
    dropped.add(sentence);
    return "";
  };
  const lines = raw.split("\n").filter((line) => !COORDINATES.test(line));
  // What would be a mark of emphasis in our words was none in the file.
  const marked = emphasised(lines.join("\n").replaceAll("*", "∗"));
  const plain = marked
    .replaceAll(BRACES, leave("Places and colours inside captions were left out."))
    .replaceAll(TAG, (tag) => {
      if (/^<v[ .]/i.test(tag)) dropped.add("Names of speakers were left out.");
      else if (/^<\d/.test(tag)) dropped.add("Times inside captions were left out: each is shown at once.");
      else if (!tag.startsWith("</")) dropped.add("Colours, classes and other styles inside captions were left out.");
      return "";
    });
  const whole = kind === "WebVTT" ? plain.replaceAll(ENTITY, (entity) => ENTITIES[entity] ?? entity) : plain;
  const text = whole
    .split("\n")
    .map((line) => line.trim())
    .filter((line) => line.replaceAll("*", "") !== "")
    .join("\n");
  if (!readEmphasis(text).text.includes("*")) return { text, dropped: [...dropped] };
  dropped.add("Emphasis of single letters was left out.");
  return { text: text.replaceAll("*", ""), dropped: [...dropped] };
}

/** Emphasis between asterisks, line by line, whichever tags said so; what is inside of more than one is marked once. */
function emphasised(raw: string): string {
  let depth = 0;
  const lines = raw.split("\n").map((line) => {
    const open = depth > 0 ? "*" : "";
    const marked = line.replaceAll(EMPHASIS, (tag) => {
      const before = depth;
      depth = tag.startsWith("</") ? Math.max(0, depth - 1) : depth + 1;
      return (before === 0) !== (depth === 0) ? "*" : "";
    });
    return `${open}${marked}${depth > 0 ? "*" : ""}`;
  });
  return lines.join("\n").replaceAll(/\*[ \t]*\*/g, (between) => between.replaceAll("*", ""));
}
