import { type Edit } from "./edit";
import { MOST_TAKES } from "./lanes";
import { type Promotion } from "./promotion";
import { changeSound } from "./soundEdits";

type Sounds = Pick<Promotion, "lanes">;

/**
 * Has another take be heard in a piece, from its beginning and to its end: where the piece lies stays, and so does the take
 * that was heard before. Null where the piece is not there, or that take is heard already.
 */
export function hearTake(document: Sounds, id: string, media: string): Edit | null {
  const piece = document.lanes[id];
  if (!piece || piece.media === media) return null;
  const others = [piece.media, ...(piece.takes ?? []).filter((take) => take !== media)].slice(0, MOST_TAKES);
  const edit = changeSound(document, id, { media, takes: others, from: null, length: null }, "Hear another take");
  return edit && { ...edit, isUrgent: true };
}

/** Keeps a take no longer with a piece; among the team's media it stays. Null where it is none of the others. */
export function dropTake(document: Sounds, id: string, media: string): Edit | null {
  const takes = document.lanes[id]?.takes ?? [];
  if (!takes.includes(media)) return null;
  const others = takes.filter((take) => take !== media);
  return changeSound(document, id, { takes: others.length > 0 ? others : null }, "Drop a take");
}
