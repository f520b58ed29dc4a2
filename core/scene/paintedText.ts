import { USUAL_FORM } from "../brand/forms";
import { COLORED_JOINS, DIRECTED_JOINS, type InkedJoin, USUAL_JOIN } from "../document/joins";
import { type ClipFacts, type PictureFacts } from "../document/facts";
import { tableOf } from "../document/look";
import { type LookupTable } from "../grading/lookupTable";
import { type PreparedShape } from "./preparePromotion";
import { type Ticks, msOf, ticks } from "../time/ticks";
import { spansAt } from "../time/tracks";
import { type PreparedScene } from "./prepared";
import { partsAt } from "./sceneAt";

/** The SHA-256 of each media item by id: the name of its bytes. */
export type MediaHashes = Readonly<Record<string, string>>;

/**
 * Everything that decides the pixels of a scene in a shape, as text: two scenes with the same text are painted alike,
 * whatever they are called. It is written from what the painter is given, so nothing that counts can be forgotten. Media
 * are named by their bytes.
 */
export function paintedText({ parts, length, leaves }: PreparedScene, hashes: MediaHashes): string {
  return JSON.stringify({ parts, length, leaves }, (key, value: unknown) => {
    // Which of the uses of a clip this is tells its frames apart, and changes none.
    if (key === "use") return undefined;
    if (key === "table") return isTable(value) ? value.id : value;
    if (key !== "media") return value;
    // Parts name media by what is known of them, nodes by their id.
    if (typeof value === "string") return bytesOf(value, hashes);
    if (!isSeen(value)) throw new TypeError("A part of a scene shows what is neither a picture nor a clip.");
    return drawnFrom(value, hashes);
  });
}

const isSeen = (value: unknown): value is PictureFacts | ClipFacts =>
  typeof value === "object" && value !== null && "kind" in value && (value.kind === "picture" || value.kind === "clip");

const isTable = (value: unknown): value is Pick<LookupTable, "id"> =>
  typeof value === "object" && value !== null && "id" in value;

/** What of a picture or clip has a part in how it is drawn: not its name, nor what was measured to choose inks. */
function drawnFrom(media: PictureFacts | ClipFacts, hashes: MediaHashes): unknown {
  const { id, kind, width, height, levels, focal } = media;
  const colors = tableOf(media.shownLook)?.id;
  const clip = media.kind === "clip" ? { frames: media.frames, rate: media.rate, subject: media.subject } : {};
  return { kind, bytes: bytesOf(id, hashes), width, height, levels, focal, colors, ...clip };
}

/** A medium whose bytes are not known is not there: nothing of it is painted. */
const bytesOf = (id: string, hashes: MediaHashes): string | null => hashes[id] ?? null;

/** The same for a whole promotion in a shape. */
export const paintedWhole = (
  { scenes, spans, items, joins, size, ending }: PreparedShape,
  hashes: MediaHashes,
): string =>
  JSON.stringify({
    size,
    ending: closed(ending),
    spans,
    transitions: joins.slice(1).map(paintedJoin),
    scenes: scenes.map((scene) => paintedText(scene, hashes)),
    items: items.map(({ from, to, what }) => ({ from, to, painted: paintedText(what, hashes) })),
  });

/**
 * The same for a stretch of time in which the same scenes and items are shown all the time: what of them is seen in it, and
 * how far into each it begins. Words that come in later have no part in it.
 *
 * @param times of its frames, in order: at least one
 */
export function paintedStretch(
  { scenes, spans, track, items, joins, size, ending, mark }: PreparedShape,
  times: readonly Ticks[],
  hashes: MediaHashes,
): string {
  const [from] = times;
  if (from === undefined) throw new RangeError("A stretch of time has at least one frame.");
  const into = (start: Ticks): number => msOf(ticks(from - start));
  const seen = (scene: PreparedScene, start: Ticks): string => {
    const own = times.map((time) => ticks(time - start));
    return paintedText({ ...scene, parts: partsAt(scene, own) }, hashes);
  };
  const on = spansAt(track, from);
  const shown = on.map(({ what, from: start }) => {
    const [scene, span] = [scenes[what], spans[what]];
    if (!scene || !span) throw new RangeError(`There is no scene ${what + 1}.`);
    return { painted: seen(scene, start), at: into(start), overlap: span.entered - span.start };
  });
  const over = spansAt(items, from).map(({ what, from: start }) => ({ painted: seen(what, start), at: into(start) }));
  // A scene that stands alone came in before: how is not seen any more.
  const [alone] = shown;
  const join = joins[on[1]?.what ?? 0];
  const transition = join && paintedJoin(join);
  const [closing] = spansAt(ending, from);
  const ends = closing && { ...closing.what, at: into(closing.from) };
  return JSON.stringify(
    shown.length > 1
      ? { size, shown, transition, over, ends, mark }
      : { size, painted: alone?.painted, at: alone?.at, over, ends, mark },
  );
}

/** An ending with its time; undefined where there is none. */
const closed = ([ending]: PreparedShape["ending"]): object | undefined =>
  ending && { from: ending.from, ...ending.what };

/** What of a join is seen. One as usual is told by its kind alone, as all were when there was no more to it. */
function paintedJoin({ kind, color, angle, ease, form }: InkedJoin): string | object {
  const seen = {
    ...(COLORED_JOINS.includes(kind) ? { color } : {}),
    ...(DIRECTED_JOINS.includes(kind) && angle !== USUAL_JOIN.angle ? { angle } : {}),
    ...(ease === USUAL_JOIN.ease ? {} : { ease }),
    ...(kind === "reveal" && form !== USUAL_FORM ? { form } : {}),
  };
  return Object.keys(seen).length > 0 ? { kind, ...seen } : kind;
}
