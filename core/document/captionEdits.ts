import { type Cue } from "../captions/cue";
import { inLines } from "../captions/breakLines";
import { readingNeed } from "../time/reading";
import { plainWords } from "../type/emphasis";
import { millis } from "../units";
import { type Caption, type Captions, MOST_CAPTIONS, captionsIn } from "./captionsPart";
import { type Edit, together } from "./edit";
import { FOR_ALL, adjust, putCaption, takeOutCaption } from "./edits";
import { type Promotion } from "./promotion";
import { freeId } from "./sceneIds";
import { Refusal } from "../refusal";

const FIRST_LASTS_MS = 2000;
/** What is shorter can't be seen to be there. */
export const SHORTEST_MS = 200;

type Captioned = Pick<Promotion, "captions" | "adjustments">;

const idFor = (taken: Set<string>): string => {
  const id = freeId("cue-1", taken);
  taken.add(id);
  return id;
};

/** Shows captions in a language over the pictures, unless somebody chose already what is shown. */
const shownIn = ({ adjustments }: Captioned, language: string): Edit[] =>
  adjustments["@all"]?.captionsIn === undefined ? [showCaptions(language)] : [];

/** Which captions are shown over the pictures; null for none. */
export const showCaptions = (language: string | null): Edit => adjust("captionsIn", language ?? "none", FOR_ALL);

/**
 * Puts a caption in at a time, as long as there is room before the next. Null where another is shown already. Throws,
 * naming the limit, when there would be too many.
 */
export function addCaption(
  document: Captioned,
  {
    language,
    at,
    until,
    text,
  }: { readonly language: string; readonly at: number; readonly until: number; readonly text: string },
): { readonly id: string; readonly edit: Edit } | null {
  const others = captionsIn(document.captions, language);
  if (others.some(({ from, to }) => from <= at && at < to)) return null;
  const next = others.find(({ from }) => from > at)?.from ?? Infinity;
  const to = Math.min(at + FIRST_LASTS_MS, next, until);
  if (to - at < SHORTEST_MS) return null;
  checkRoom(document.captions, 1);
  const id = idFor(new Set(Object.keys(document.captions)));
  const caption: Caption = { language, from: millis(at), to: millis(to), text };
  return { id, edit: together("Caption", [putCaption(id, caption), ...shownIn(document, language)]) };
}

function checkRoom(captions: Captions, more: number): void {
  if (Object.keys(captions).length + more > MOST_CAPTIONS)
    throw new Refusal(`A promotion has at most ${MOST_CAPTIONS} captions.`);
}

/** Changes a caption. It keeps a length in which it can be seen. */
export function changeCaption(
  document: Captioned,
  id: string,
  change: Partial<Pick<Caption, "from" | "to" | "text">>,
): Edit | null {
  const caption = document.captions[id];
  if (!caption || change.text?.trim() === "") return null;
  const next = { ...caption, ...change };
  const from = Math.max(0, change.from === undefined ? next.from : Math.min(next.from, next.to - SHORTEST_MS));
  const to = Math.max(next.to, from + SHORTEST_MS);
  return putCaption(id, { ...next, from: millis(from), to: millis(to) });
}

/** Cuts a caption in two at a time: its words where they break best near the same share of them. Null outside of it. */
export function splitCaption(document: Captioned, id: string, at: number): Edit | null {
  const caption = document.captions[id];
  if (!caption || at - caption.from < SHORTEST_MS || caption.to - at < SHORTEST_MS) return null;
  const words = caption.text.split(/\s+/);
  if (words.length < 2) return null;
  const share = (at - caption.from) / (caption.to - caption.from);
  const first = Math.min(words.length - 1, Math.max(1, Math.round(words.length * share)));
  checkRoom(document.captions, 1);
  const other = idFor(new Set(Object.keys(document.captions)));
  const text = (part: readonly string[]): string => inLines(part.join(" "));
  return together("Split caption", [
    putCaption(id, { ...caption, to: millis(at), text: text(words.slice(0, first)) }),
    putCaption(other, { ...caption, from: millis(at), text: text(words.slice(first)) }),
  ]);
}

/** Joins a caption with the one after it. Null for the last. */
export function joinCaption(document: Captioned, id: string): Edit | null {
  const caption = document.captions[id];
  if (!caption) return null;
  const all = captionsIn(document.captions, caption.language);
  const next = all[all.findIndex((one) => one.id === id) + 1];
  if (!next) return null;
  const text = inLines(`${caption.text} ${next.text}`.replaceAll("\n", " "));
  return together("Join captions", [putCaption(id, { ...caption, to: next.to, text }), takeOutCaption(next.id)]);
}

/** Puts captions in the place of all there are in a language. Throws, naming the limit, when there would be too many. */
export function replaceCaptions(document: Captioned, language: string, cues: readonly Cue[], label: string): Edit {
  const own = captionsIn(document.captions, language);
  checkRoom(document.captions, cues.length - own.length);
  const kept = Object.keys(document.captions).filter((id) => !own.some((one) => one.id === id));
  const taken = new Set(kept);
  const put = cues.map((cue) => putCaption(idFor(taken), { language, ...cue }));
  const gone = own.filter(({ id }) => !taken.has(id)).map(({ id }) => takeOutCaption(id));
  return together(label, [...gone, ...put, ...(cues.length > 0 ? shownIn(document, language) : [])]);
}

/** Moves all captions of a language sooner or later; none goes before the start. */
export function shiftCaptions({ captions }: Captioned, language: string, by: number): Edit {
  const all = captionsIn(captions, language);
  const least = Math.max(by, -Math.min(...all.map(({ from }) => from), Infinity));
  return together(
    "Shift captions",
    all.map(({ id, ...one }) => putCaption(id, { ...one, from: millis(one.from + least), to: millis(one.to + least) })),
  );
}

/** How long a caption must be there to be read, in milliseconds. */
export const captionNeed = ({ text }: Pick<Cue, "text">): number => readingNeed(plainWords(text));
