import { type Point, type Rect, type Size, overlaps, rect, union, unionOf, wholeOf } from "../../core/geometry/rect";
import { type DisplayList, type DisplayNode, type LayerNode, sameFrame } from "../../core/scene/displayList";
import { type ClipNode, type FillNode, type PictureNode, type StillNode } from "../../core/scene/displayList";
import { pictureLevel } from "../../core/scene/drawnLevel";
import { paintedAreas } from "../../core/scene/paintedAreas";
import { MARGIN, type Painter } from "../../paint/painter";
import { type Surface } from "../../paint/resources";
import { partOfLevel, scaledPart, snapped } from "../../paint/pixelPlaces";
import { withoutHidden } from "./hiddenPieces";
import { emptied, nodeSurface, pixelsOn } from "./nodeResources";
import { passingSurfaces } from "./passingSurfaces";
import {
  type ClipFrame,
  type FramePiece,
  type LaidPiece,
  type LayerPiece,
  MOST_COLUMNS,
  MOST_LAYERS,
  OPAQUE_BLACK,
  type Pixels,
} from "./planar/framePieces";
import { type Resampling, resampling } from "./planar/resampling";

/** Pictures as pixels that cover what is below them; null where a picture does not, or is not there. */
export interface OpaquePixels {
  picture(node: PictureNode, level: number): Pixels | null;
  clipFrame(node: ClipNode): ClipFrame | null;
}

/** Takes frames apart into pieces that are put together without a canvas. */
export interface Composition {
  /** The pieces of a frame. Null where it costs less to paint it in one piece, or it can be had no other way. */
  piecesOf(list: DisplayList): readonly FramePiece[] | null;
}

/** Of a frame's area, so much may be painted anew by itself; more costs what painting all of it does. */
const MOST_PAINTED = 0.75;

/** How what is put together is moved, in whole pixels, and how many layers it is in. */
interface Within {
  readonly offset: Point;
  readonly depth: number;
}

interface KeptSheet {
  readonly nodes: readonly DisplayNode[];
  /** How they were moved. */
  readonly by: Point;
  readonly piece: LaidPiece | null;
}

type Mutable<Piece> = { -readonly [Key in keyof Piece]: Piece[Key] };

/** What was painted at a place of a sheet. Its pixels are read when all of the frame is painted. */
interface OnSheet {
  readonly place: Rect;
  readonly laid: Mutable<LaidPiece>;
}

/** A surface that what moves in a frame is painted on, side by side. */
interface Sheet {
  readonly surface: Surface;
  painted: OnSheet[];
}

/** @param format in design units @param size of the frames, in pixels @param scale pixels per design unit */
export function openComposition(
  { format, size, scale }: { readonly format: Size; readonly size: Size; readonly scale: number },
  painter: Pick<Painter, "sheet" | "still" | "placeOf" | "paintOn">,
  sources: OpaquePixels,
): Composition {
  const scaleX = size.width / format.width;
  const scaleY = size.height / format.height;
  const frame = { ...size, margin: MARGIN };
  /** What was painted for the frame before, and for this one. */
  let [kept, shown]: [KeptSheet[], KeptSheet[]] = [[], []];
  const sheets: Sheet[] = [];
  const surfaces = passingSurfaces(2 * areaOf(size));
  const colors = new Map<string, number>();
  let paintedArea = 0;
  /** Whether so much is painted by itself that painting all of the frame costs less. */
  const paintsMost = (): boolean => paintedArea > MOST_PAINTED * areaOf(size);

  const placeOf = (place: Rect, { offset }: Within): Rect => {
    const { x, y, width, height } = snapped(place, scaleX, scaleY);
    return rect(x + offset.x, y + offset.y, width, height);
  };

  /** Nodes painted by themselves: as they were for the frame before, where they are the same. */
  function paintedApart(nodes: readonly DisplayNode[], { offset }: Within): FramePiece[] {
    const [only] = nodes;
    return only?.kind === "still" ? stillPiece(only, offset) : movingPiece(nodes, offset);
  }

  /** What is kept of nodes, or made of them. */
  function remembered(nodes: readonly DisplayNode[], by: Point, make: () => LaidPiece | null): LaidPiece | null {
    const isKept = (sheet: KeptSheet): boolean =>
      sheet.by.x === by.x && sheet.by.y === by.y && sameFrame(sheet.nodes, nodes);
    const { piece } = shown.find(isKept) ?? kept.find(isKept) ?? { piece: make() };
    shown.push({ nodes, by, piece });
    return piece;
  }

  /** It looks the same wherever it is moved to. */
  function stillPiece(node: StillNode, offset: Point): FramePiece[] {
    const piece = remembered([node], { x: 0, y: 0 }, () => {
      const still = painter.still(node);
      if (!still) return null;
      const { surface, from, x, y } = still;
      return { kind: "laid", pixels: pixelsOn(surface), part: from, x, y, isOpaque: false };
    });
    return piece ? [{ ...piece, x: piece.x + offset.x, y: piece.y + offset.y }] : [];
  }

  /** What moves is painted where it lies in frames, so that its edges are rounded as there, and read all at once. */
  function movingPiece(nodes: readonly DisplayNode[], offset: Point): FramePiece[] {
    const piece = remembered(nodes, offset, () => {
      const place = painter.placeOf(nodes, offset);
      if (!place) return null;
      paintedArea += areaOf(place);
      if (paintsMost()) return null;
      const sheet = sheets.find((other) => !other.painted.some((one) => overlaps(place, one.place))) ?? openSheet();
      painter.paintOn(sheet.surface, nodes, offset);
      const { x, y, width, height } = place;
      const part = rect(0, 0, width, height);
      const laid: Mutable<LaidPiece> = { kind: "laid", pixels: NO_PIXELS, part, x, y, isOpaque: false };
      sheet.painted.push({ place, laid });
      return laid;
    });
    return piece ? [piece] : [];
  }

  function openSheet(): Sheet {
    const sheet: Sheet = { surface: painter.sheet(), painted: [] };
    sheets.push(sheet);
    return sheet;
  }

  function clearSheets(): void {
    for (const sheet of sheets) {
      if (sheet.painted.length > 0) emptied(sheet.surface);
      sheet.painted = [];
    }
  }

  /** By places: reading a canvas costs as much as all of it is large, and counts as so much memory until it is given back. */
  function readSheets(): void {
    for (const { surface, painted } of sheets)
      for (const { place, laid } of painted)
        laid.pixels = surfaces.painted(place, ({ context }) =>
          context.drawImage(surface.image, -MARGIN - place.x, -MARGIN - place.y),
        );
  }

  function filled({ place, ink }: FillNode, within: Within): FramePiece[] | null {
    return typeof ink === "string" ? [{ kind: "filled", place: placeOf(place, within), color: pixelOf(ink) }] : null;
  }

  function pixelOf(ink: string): number {
    const known = colors.get(ink) ?? colorOf(ink);
    colors.set(ink, known);
    return known;
  }

  /** A picture drawn into a place. @param pieceOf what it becomes, when it is known how it is resampled */
  function drawn(
    picture: Size,
    part: Rect,
    place: Rect,
    pieceOf: (how: Resampling) => FramePiece,
  ): FramePiece[] | null {
    if (picture.width > MOST_COLUMNS) return null;
    if (!overlaps(place, wholeOf(size))) return [];
    const how = resampling(picture, part, place, frame);
    return how && [pieceOf(how)];
  }

  function drawnPicture(node: PictureNode, within: Within): FramePiece[] | null {
    if (node.blur) return null;
    const level = pictureLevel(node, scale);
    const pixels = sources.picture(node, level);
    if (!pixels) return null;
    const part = partOfLevel(node, level);
    return drawn(pixels, part, placeOf(node.place, within), (how) => ({ kind: "drawn", pixels, resampling: how }));
  }

  function drawnClip(node: ClipNode, within: Within): FramePiece[] | null {
    const frame = sources.clipFrame(node);
    if (!frame) return null;
    const part = scaledPart(node.part, frame.width / node.width, frame.height / node.height);
    return drawn(frame, part, placeOf(node.place, within), (how) => ({ kind: "filmed", frame, resampling: how }));
  }

  function layered(node: DisplayNode, layer: Omit<LayerPiece, "kind" | "pieces">, within: Within): FramePiece[] | null {
    if (!("children" in node) || within.depth === MOST_LAYERS || node.children.some(seesBelow)) return null;
    const pieces = piecesIn(node.children, { ...within, depth: within.depth + 1 });
    return [{ kind: "layer", ...layer, pieces }];
  }

  function plainLayer(node: LayerNode, within: Within): FramePiece[] | null {
    if (node.mask || node.blur || node.blend) return null;
    const alpha = Math.round(node.alpha * 255);
    return alpha > 0 ? layered(node, { alpha }, within) : [];
  }

  /** The pieces of a node that need no canvas; null where it has to be painted. */
  function piecesOfNode(node: DisplayNode, within: Within): FramePiece[] | null {
    switch (node.kind) {
      case "fill":
        return filled(node, within);
      case "picture":
        return drawnPicture(node, within);
      case "clip":
        return drawnClip(node, within);
      case "still":
        return paintedApart([node], within);
      case "layer":
        return plainLayer(node, within);
      case "clipped":
        return layered(node, { alpha: 255, cut: placeOf(node.place, within) }, within);
      case "transformed": {
        if (!node.whole || node.alpha !== 1) return null;
        const { e, f } = node.map;
        const offset = { x: within.offset.x + Math.round(e * scaleX), y: within.offset.y + Math.round(f * scaleY) };
        return piecesIn(node.children, { ...within, offset });
      }
      default:
        return null;
    }
  }

  /** What has to be painted, follows on one another and lies close together is painted together. */
  function piecesIn(nodes: readonly DisplayNode[], within: Within): FramePiece[] {
    const pieces: FramePiece[] = [];
    let painted: DisplayNode[] = [];
    let area: Rect | null = null;
    const layPainted = (): void => {
      if (painted.length > 0) pieces.push(...paintedApart(painted, within));
      [painted, area] = [[], null];
    };
    for (const node of nodes) {
      const own = piecesOfNode(node, within);
      if (own) {
        layPainted();
        pieces.push(...own);
        continue;
      }
      const place = unionOf(paintedAreas([node]));
      if (!place) continue;
      if (area && !areClose(area, place)) layPainted();
      painted.push(node);
      area = area ? union(area, place) : place;
    }
    layPainted();
    return withoutHidden(pieces);
  }

  return {
    piecesOf(list) {
      if (list.some(seesBelow)) return null;
      [kept, shown, paintedArea] = [shown, [], 0];
      clearSheets();
      const pieces = piecesIn(list, { offset: { x: 0, y: 0 }, depth: 0 });
      if (paintsMost()) {
        // What moves was not read.
        shown = shown.filter(({ nodes: [only] }) => only?.kind === "still");
        return null;
      }
      readSheets();
      return withoutHidden([{ kind: "filled", place: wholeOf(size), color: OPAQUE_BLACK }, ...pieces]);
    },
  };
}

/** Whether less is painted of two areas together, with what lies between, than a little more than of both. */
const areClose = (one: Rect, other: Rect): boolean => areaOf(union(one, other)) < 1.2 * (areaOf(one) + areaOf(other));
const areaOf = ({ width, height }: Size): number => width * height;

/** Whether the colours of a node are blended with those below it. What is in a still, a layer or a place sees only what is in it. */
const seesBelow = (node: DisplayNode): boolean =>
  (node.kind === "layer" && node.blend !== undefined) || (node.kind === "transformed" && node.children.some(seesBelow));

/** What a canvas makes of a colour. */
function colorOf(ink: string): number {
  const { canvas, context } = nodeSurface(1, 1);
  context.fillStyle = ink;
  context.fillRect(0, 0, 1, 1);
  return canvas.data().readUInt32LE();
}

const NO_PIXELS: Pixels = { bytes: new Uint8Array(0), width: 0, height: 0 };
