import { millis } from "../units";
import { type Edit } from "./edit";
import { putSound, takeOutSound } from "./edits";
import { type Facts } from "./facts";
import { heardMedia } from "./heardMedia";
import { type Lane, type Lanes, MOST_SOUND_PIECES, SHORTEST_PIECE_MS, type SoundPiece, heardFor } from "./lanes";
import { membersInOrder, orderBehind } from "./ordered";
import { type Promotion } from "./promotion";
import { freeId } from "./sceneIds";

type Sounds = Pick<Promotion, "lanes">;
export type ListedPiece = SoundPiece & { readonly id: string };

/** The pieces on a lane, in the order in which they were put there. */
export const piecesOn = (lanes: Lanes, lane: Lane): ListedPiece[] =>
  membersInOrder<string, SoundPiece>(lanes).filter((piece) => piece.lane === lane);

/**
 * Puts a sound on a lane, from its beginning to its end. Null where there are as many as can be.
 * @param at when it begins, in milliseconds
 */
export function addSound(
  { lanes }: Sounds,
  { lane, media, at, says }: Pick<SoundPiece, "lane" | "media" | "says"> & { readonly at: number },
): { readonly id: string; readonly edit: Edit } | null {
  if (Object.keys(lanes).length >= MOST_SOUND_PIECES) return null;
  const id = freeId(lane, new Set(Object.keys(lanes)));
  const begins = Math.max(0, Math.round(at));
  const piece: SoundPiece = {
    order: orderBehind(lanes),
    lane,
    media,
    ...(begins > 0 ? { at: millis(begins) } : {}),
    ...(says ? { says } : {}),
  };
  return { id, edit: { ...putSound(id, piece), label: "Add a sound", isUrgent: true } };
}

/** What is to be different in a piece; null takes a value away. */
export type PieceChange = { readonly [Key in keyof Omit<SoundPiece, "order" | "lane">]?: SoundPiece[Key] | null };

/** Changes a piece. Null where it is not there. */
export function changeSound({ lanes }: Sounds, id: string, change: PieceChange, label = "Sound"): Edit | null {
  const piece = lanes[id];
  if (!piece) return null;
  const { order, lane, media, ...own } = piece;
  const all = Object.entries({ ...own, ...change }).filter(([, value]) => value !== null);
  const values: Omit<SoundPiece, "order" | "lane" | "media"> = Object.fromEntries(all);
  return { ...putSound(id, { ...values, order, lane, media: change.media ?? media }), label };
}

export const removeSound = (id: string): Edit => ({ ...takeOutSound(id), label: "Take a sound out" });

/**
 * Makes two pieces of one at a time of the promotion: what is heard stays what it was. Null where there is nothing to cut.
 */
export function splitSound(
  document: Sounds,
  facts: Pick<Facts, "media">,
  id: string,
  time: number,
  length: number,
): Edit | null {
  const piece = document.lanes[id];
  const sound = piece && heardMedia(facts.media[piece.media]);
  if (!piece || !sound || Object.keys(document.lanes).length >= MOST_SOUND_PIECES) return null;
  const { at = millis(0), from = millis(0), points, ...rest } = piece;
  const passed = Math.round(time - at);
  const lasts = heardFor(piece, sound, length);
  if (passed < SHORTEST_PIECE_MS || passed > lasts - SHORTEST_PIECE_MS || piece.loop) return null;
  const first: SoundPiece = { ...piece, length: millis(passed), fadeOut: millis(0) };
  const later = points
    ?.filter((point) => point.at > passed)
    .map((point) => ({ ...point, at: millis(point.at - passed) }));
  const second: SoundPiece = {
    ...rest,
    at: millis(at + passed),
    from: millis(from + passed),
    fadeIn: millis(0),
    ...(piece.length === undefined ? {} : { length: millis(piece.length - passed) }),
    ...(later && later.length > 0 ? { points: later } : {}),
    order: orderBehind(document.lanes),
  };
  const other = freeId(id, new Set(Object.keys(document.lanes)));
  return { label: "Split a sound", patch: [...putSound(id, first).patch, ...putSound(other, second).patch] };
}

/**
 * Has a piece be heard in another time: moved, it keeps what is heard of it; where its beginning is pulled, what is left out
 * or comes in is at its beginning; where its end is, at its end. Null where nothing changes.
 *
 * @param was when it is heard now @param wanted when it is to be, in milliseconds
 */
export function setSoundTime(
  document: Sounds,
  id: string,
  was: { readonly from: number; readonly to: number },
  wanted: { readonly from: number; readonly to: number },
): Edit | null {
  const piece = document.lanes[id];
  if (!piece) return null;
  const { from: taken = 0 } = piece;
  const [by, end] = [Math.round(wanted.from - was.from), Math.round(wanted.to - was.to)];
  if (by === end) {
    const at = Math.max(0, Math.round(was.from) + by);
    return by === 0 ? null : changeSound(document, id, { at: at === 0 ? null : millis(at) }, "Move a sound");
  }
  // No earlier than the promotion and the sound begin.
  const from = Math.max(wanted.from, 0, was.from - taken);
  const lasts = Math.max(SHORTEST_PIECE_MS, Math.round(wanted.to - from));
  const start = Math.min(from, wanted.to - SHORTEST_PIECE_MS);
  const begins = Math.max(0, Math.round(start));
  return changeSound(
    document,
    id,
    {
      at: begins === 0 ? null : millis(begins),
      from: millis(Math.max(0, Math.round(taken + start - was.from))),
      length: millis(lasts),
    },
    "Trim a sound",
  );
}
