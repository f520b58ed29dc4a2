import { type Rect, contains, leftBeside, rect } from "../../core/geometry/rect";
import { type FramePiece, isOpaqueColor } from "./planar/framePieces";

/** Pieces without those that lie below others with all of themselves; of places in a colour, what can be seen is left. */
export function withoutHidden(pieces: readonly FramePiece[]): FramePiece[] {
  const covers: Rect[] = [];
  const seen: FramePiece[] = [];
  for (const piece of pieces.toReversed()) {
    const left = leftBelow(covers, piece);
    if (left) seen.push(left);
    const cover = coveredBy(piece);
    if (cover) covers.push(cover);
  }
  return seen.toReversed();
}

function leftBelow(covers: readonly Rect[], piece: FramePiece): FramePiece | null {
  if (piece.kind === "filled") {
    const place = covers.reduce<Rect | null>((left, cover) => left && leftBeside(cover, left), piece.place);
    return place && { ...piece, place };
  }
  const place = placeOf(piece);
  return place && covers.some((cover) => contains(cover, place)) ? null : piece;
}

/** Where a piece leaves nothing to be seen below it. */
function coveredBy(piece: FramePiece): Rect | null {
  const { kind } = piece;
  const covers = kind === "filled" ? isOpaqueColor(piece.color) : kind === "laid" ? piece.isOpaque : kind !== "layer";
  return covers ? placeOf(piece) : null;
}

/** Where a piece is seen; null where that may be anywhere. */
function placeOf(piece: FramePiece): Rect | null {
  switch (piece.kind) {
    case "filled":
      return piece.place;
    case "laid":
      return rect(piece.x, piece.y, piece.part.width, piece.part.height);
    case "layer":
      return piece.cut ?? null;
    default: {
      const { from, to, top, bottom } = piece.resampling;
      return rect(from, top, to - from, bottom - top);
    }
  }
}
