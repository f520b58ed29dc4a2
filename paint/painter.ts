import { type Point, type Rect, type Size, evenInsets, inset, rect, unionOf } from "../core/geometry/rect";
import { levelLength } from "../core/geometry/pyramid";
import {
  type ClipNode,
  type ClippedNode,
  type DisplayList,
  type DisplayNode,
  type EmojiNode,
  type Ink,
  type LayerNode,
  type Mask,
  type PictureNode,
  type RadialGradient,
  type ShapeNode,
  type StillNode,
  type TextureNode,
  type TransformNode,
} from "../core/scene/displayList";
import { TEXTURE_SIDE, type TextureName, textureTile } from "../core/picture/textures";
import { paintedAreas } from "../core/scene/paintedAreas";
import { emojiLevel, pictureLevel, textureLevel } from "../core/scene/drawnLevel";
import { EMOJI_SIDE } from "../core/type/emojiPictures";
import { rectangle } from "../core/type/outline";
import { beginsWith, groundLength } from "./ground";
import { type KeptStill, keptStills } from "./keptStills";
import { pathsOn } from "./paths";
import { partOfLevel, scaledPart, snapped } from "./pixelPlaces";
import { sheetsOf } from "./sheets";
import { type PaintContext, type PaintResources, type Surface } from "./resources";

/** Paints display lists of one format at one output size, keeping what holds still. */
export interface Painter {
  paint(list: DisplayList, context: PaintContext): void;
  /** Paints on a surface of the painter's own, with `MARGIN` pixels more on every side: it stays until the next call. */
  frame(list: DisplayList): Surface;
  /** A surface that is as large as those frames are painted on, with nothing on it. */
  sheet(): Surface;
  /** Paints some nodes of a list on such a surface, where they lie in frames. @param by so many whole pixels they are moved */
  paintOn(sheet: Surface, nodes: readonly DisplayNode[], by: Point): void;
  /** The pixels of the frame, and just beyond its edges, that nodes so moved are painted within. Null where there are none. */
  placeOf(nodes: readonly DisplayNode[], by: Point): Rect | null;
  /** Paints a still on a surface of its own. Null where nothing of it is in the frame. */
  still(node: StillNode): KeptStill | null;
  /** Opens what the next list may need besides, while nobody waits (see `sheetsOf`). */
  prepare(): void;
}

/** Where drawing happens: the scale of the output, and whether edges may be snapped to whole pixels. */
interface Pen {
  readonly context: PaintContext;
  readonly snaps: boolean;
  /** What moved parents leave of a node's own alpha. */
  readonly alpha: number;
  /** How many layers it is in. */
  readonly depth: number;
}

/** How a layer is laid over what is below it. */
interface Over {
  readonly alpha?: number;
  readonly how?: GlobalCompositeOperation | undefined;
  /** In design units. */
  readonly blur?: number;
  readonly cut?: Rect;
}

/**
 * Frames are painted with this many pixels more on every side: where a slanted edge meets the end of what it is painted
 * on, platforms differ by a pixel.
 */
export const MARGIN = 4;
/** Of these, so many are never painted by shapes: they are cut before. */
const CUT = 1;
/** So much of a still is kept beyond the frame; the rest of the margin is room around it. */
const STILL_MARGIN = 2;

/** In design units: what is painted by itself may have edges that are soft, or snapped to whole pixels. */
const SOFT = 4;

/** So many frames' worth of what holds still is kept rasterised. */
const MOST_SHEETS = 8;

/** Bumped whenever the same document would paint other pixels, so that stored segments are not reused. */
export const PAINTER_VERSION = 13;

/**
 * A painter for frames of `format` (design units) on surfaces of `pixels`. The two axes scale on their own, so that a
 * rounded output size leaves no uncovered sliver at an edge.
 */
export function createPainter(format: Size, pixels: Size, resources: PaintResources): Painter {
  const scaleX = pixels.width / format.width;
  const scaleY = pixels.height / format.height;
  const scale = Math.min(scaleX, scaleY);
  const stills = keptStills();
  const room: Size = { width: pixels.width + 2 * MARGIN, height: pixels.height + 2 * MARGIN };
  const paths = pathsOn(room, CUT, () => resources.path());
  const withMargin = (): Surface => resources.surface(room.width, room.height);
  const sheets = sheetsOf<StillNode>(MOST_SHEETS, withMargin, (node) => stills.drop(node));
  const tiles = new Map<TextureName, Surface>();
  let frame: Surface | null = null;
  /** One a depth: a layer inside a layer must not wipe what lies under it. */
  const layers: Surface[] = [];
  /** How many pictures were not there yet when they were to be painted: what lacks one must not be kept. */
  let lacking = 0;
  /** What frames begin with while they begin alike: painted once. */
  let ground: { readonly nodes: DisplayList; readonly surface: Surface } | null = null;
  let before: DisplayList = [];

  function paintAll(nodes: readonly DisplayNode[], pen: Pen): void {
    for (const node of nodes) paintNode(node, pen);
  }

  function paintNode(node: DisplayNode, pen: Pen): void {
    switch (node.kind) {
      case "fill": {
        paintFill(node.place, node.ink, pen);
        return;
      }
      case "shape": {
        paintShape(node, pen);
        return;
      }
      case "picture": {
        paintPicture(node, pen);
        return;
      }
      case "clip": {
        paintClip(node, pen);
        return;
      }
      case "emoji": {
        paintEmoji(node, pen);
        return;
      }
      case "texture": {
        paintTexture(node, pen);
        return;
      }
      case "transformed": {
        paintTransformed(node, pen);
        return;
      }
      case "clipped": {
        paintClipped(node, pen);
        return;
      }
      case "still": {
        paintStill(node, pen);
        return;
      }
      case "layer": {
        paintLayer(node, pen);
        return;
      }
    }
  }

  /** A place in pixels of the output. */
  const toPixels = (place: Rect, { snaps }: Pen): Rect =>
    snaps ? snapped(place, scaleX, scaleY) : scaledPart(place, scaleX, scaleY);

  function paintFill(place: Rect, ink: Ink, pen: Pen): void {
    const { context } = pen;
    const { x, y, width, height } = toPixels(place, pen);
    context.fillStyle = inkStyle(context, ink);
    context.fillRect(x, y, width, height);
  }

  function inkStyle(context: PaintContext, ink: Ink): string | CanvasGradient {
    if (typeof ink === "string") return ink;
    const gradient =
      "centre" in ink
        ? radialOn(context, ink)
        : context.createLinearGradient(ink.from.x * scaleX, ink.from.y * scaleY, ink.to.x * scaleX, ink.to.y * scaleY);
    for (const [offset, color] of ink.stops) gradient.addColorStop(offset, color);
    return gradient;
  }

  function radialOn(context: PaintContext, { centre, radius }: RadialGradient): CanvasGradient {
    const [x, y] = [centre.x * scaleX, centre.y * scaleY];
    return context.createRadialGradient(x, y, 0, x, y, radius * scale);
  }

  function paintShape({ outline, at, ink }: ShapeNode, { context }: Pen): void {
    context.save();
    context.translate(at.x * scaleX, at.y * scaleY);
    context.scale(scaleX, scaleY);
    context.fillStyle = ink;
    context.fill(paths.pathOf(outline, context.getTransform()));
    context.restore();
  }

  function paintPicture(node: PictureNode, pen: Pen): void {
    const level = pictureLevel(node, scale);
    const image = resources.picture(node, level);
    if (!image) {
      lacking++;
      return;
    }
    const part = partOfLevel(node, level);
    if (node.blur) paintBlurred(image, node.place, node.part, part, node.blur * scale, pen);
    else drawPart(image, part, toPixels(node.place, pen), pen);
  }

  /** A blur fades out at the edges of what it is given, so the picture is laid out larger than its place and clipped. */
  function paintBlurred(image: CanvasImageSource, place: Rect, whole: Rect, part: Rect, sigma: number, pen: Pen): void {
    const to = toPixels(place, pen);
    const margin = Math.ceil(sigma * 3);
    const { context } = pen;
    context.save();
    context.beginPath();
    context.rect(to.x, to.y, to.width, to.height);
    context.clip();
    context.filter = `blur(${sigma}px)`;
    if (whole.width > 0)
      drawPart(image, part, rect(to.x - margin, to.y - margin, to.width + 2 * margin, to.height + 2 * margin), pen);
    context.restore();
  }

  function paintClip(node: ClipNode, pen: Pen): void {
    const frame = resources.clipFrame(node);
    if (!frame) return;
    drawPart(
      frame.image,
      scaledPart(node.part, frame.width / node.width, frame.height / node.height),
      toPixels(node.place, pen),
      pen,
    );
  }

  function paintEmoji(node: EmojiNode, pen: Pen): void {
    const level = emojiLevel(node, scale);
    const image = resources.emoji(node.code, level);
    const side = levelLength(EMOJI_SIDE, level);
    if (image) drawPart(image, rect(0, 0, side, side), toPixels(node.place, { ...pen, snaps: false }), pen);
    else lacking++;
  }

  function paintTexture({ texture, place, offset }: TextureNode, pen: Pen): void {
    const tile = tileOf(texture);
    const side = tile.width;
    const { context } = pen;
    const { x, y, width, height } = toPixels(place, pen);
    context.save();
    context.beginPath();
    context.rect(x, y, width, height);
    context.clip();
    for (let top = y - Math.round(offset.y * side); top < y + height; top += side)
      for (let left = x - Math.round(offset.x * side); left < x + width; left += side)
        context.drawImage(tile.image, left, top);
    context.restore();
  }

  /** A texture's tile at this output's scale, so that it goes pixel on pixel: scaling it in every frame costs most of it. */
  function tileOf(texture: TextureName): Surface {
    const known = tiles.get(texture);
    if (known) return known;
    const level = textureLevel(scale);
    const side = TEXTURE_SIDE / 2 ** level;
    const made = resources.surface(side, side);
    const pixels = made.context.createImageData(side, side);
    pixels.data.set(textureTile(texture, level));
    made.context.putImageData(pixels, 0, 0);
    const tile = scaledTile(made, Math.max(1, Math.round(TEXTURE_SIDE * scale)));
    tiles.set(texture, tile);
    return tile;
  }

  function scaledTile(made: Surface, side: number): Surface {
    if (made.width === side) return made;
    const scaled = resources.surface(side, side);
    drawPart(made.image, rect(0, 0, made.width, made.height), rect(0, 0, side, side), scaled);
    return scaled;
  }

  function paintTransformed({ alpha, map: { a, b, c, d, e, f }, whole, children }: TransformNode, pen: Pen): void {
    const { context } = pen;
    context.save();
    context.globalAlpha = pen.alpha * alpha;
    if (whole) context.translate(Math.round(e * scaleX), Math.round(f * scaleY));
    else context.transform(a, (b * scaleY) / scaleX, (c * scaleX) / scaleY, d, e * scaleX, f * scaleY);
    paintAll(children, { ...pen, snaps: pen.snaps && whole === true, alpha: pen.alpha * alpha });
    context.restore();
  }

  /**
   * Painted whole and cut afterwards, since platforms differ where a slanted edge meets the edge of a clip. A straight
   * edge is snapped to whole pixels, as places are; a turned one is cut by a mask.
   */
  function paintClipped({ place, children }: ClippedNode, pen: Pen): void {
    if (!pen.snaps) {
      const mask: Mask = { kind: "outline", outline: rectangle(place), at: { x: 0, y: 0 } };
      paintLayer({ kind: "layer", alpha: 1, mask, children }, pen);
      return;
    }
    const { x, y, width, height } = toPixels(place, pen);
    if (width <= 0 || height <= 0) return;
    const layer = clearedLayer(pen);
    paintAll(children, { ...pen, context: layer.context, alpha: 1, depth: pen.depth + 1 });
    const { e, f } = pen.context.getTransform();
    layOver(layer, pen, { alpha: pen.alpha, cut: rect(x + e, y + f, width, height) });
  }

  function paintStill(node: StillNode, pen: Pen): void {
    const still = stills.find(node) ?? rasterised(node, pen);
    if (!still) return;
    const { surface, from, x, y } = still;
    const { width, height } = from;
    pen.context.drawImage(surface.image, from.x, from.y, width, height, x, y, width, height);
  }

  /** Whole pixels around an area, as far as they are in the frame or just beyond it. Null where none are. */
  function pixelsAround(area: Rect): Rect | null {
    const x = Math.max(-STILL_MARGIN, Math.floor(area.x * scaleX));
    const y = Math.max(-STILL_MARGIN, Math.floor(area.y * scaleY));
    const rightEdge = Math.min(pixels.width + STILL_MARGIN, Math.ceil((area.x + area.width) * scaleX));
    const bottomEdge = Math.min(pixels.height + STILL_MARGIN, Math.ceil((area.y + area.height) * scaleY));
    return rightEdge > x && bottomEdge > y ? rect(x, y, rightEdge - x, bottomEdge - y) : null;
  }

  /** A still painted by itself; null where nothing of it is in the frame. */
  function rasterised(node: StillNode, pen: Pen): KeptStill | null {
    const around = pixelsAround(node.bounds);
    if (!around) return null;
    const { x, y, width, height } = around;
    // Painted where there is room around it, then cut out: what hangs over its bounds must not reach its neighbours.
    const layer = emptyLayer(pen.depth);
    layer.context.translate(STILL_MARGIN - x, STILL_MARGIN - y);
    const lacked = lacking;
    paintAll(node.children, { context: layer.context, snaps: true, alpha: 1, depth: pen.depth + 1 });
    const from = rect(STILL_MARGIN, STILL_MARGIN, width, height);
    if (lacking > lacked) return { surface: layer, from, x, y };
    const place = sheets.place(node, { width, height });
    place.sheet.surface.context.drawImage(layer.image, from.x, from.y, width, height, place.x, place.y, width, height);
    const kept = { surface: place.sheet.surface, from: rect(place.x, place.y, width, height), x, y };
    stills.keep(node, kept);
    return kept;
  }

  function paintLayer({ children, alpha, blend, blur = 0, mask }: LayerNode, pen: Pen): void {
    if (alpha <= 0) return;
    const [only] = children;
    if (only?.kind === "texture" && children.length === 1 && blend && blur === 0 && !mask) {
      blendTexture(only, { alpha, how: blend }, pen);
      return;
    }
    const layer = clearedLayer(pen);
    const inside: Pen = { ...pen, context: layer.context, alpha: 1, depth: pen.depth + 1 };
    paintAll(children, inside);
    if (mask) cutTo(mask, inside);
    layOver(layer, pen, { alpha: pen.alpha * alpha, how: blend, blur });
  }

  /** A texture by itself needs no surface of its own: its tiles do not cover one another. */
  function blendTexture(texture: TextureNode, { alpha = 1, how = "source-over" }: Over, pen: Pen): void {
    const { context } = pen;
    context.save();
    context.globalAlpha = pen.alpha * alpha;
    context.globalCompositeOperation = how;
    paintTexture(texture, pen);
    context.restore();
  }

  /** An empty surface for the depth of a pen, mapped as what it paints on is. */
  function clearedLayer({ context, depth }: Pen): Surface {
    const layer = emptyLayer(depth);
    const { a, b, c, d, e, f } = context.getTransform();
    layer.context.setTransform(a, b, c, d, e, f);
    return layer;
  }

  function emptyLayer(depth: number): Surface {
    const layer = (layers[depth] ??= withMargin());
    layer.context.setTransform(1, 0, 0, 1, 0, 0);
    layer.context.clearRect(0, 0, layer.width, layer.height);
    return layer;
  }

  /** Leaves of what a pen paints on only what a mask lets through. */
  function cutTo(mask: Mask, pen: Pen): void {
    const through = clearedLayer(pen);
    const inside: Pen = { ...pen, context: through.context };
    if (mask.kind === "outline")
      paintShape({ kind: "shape", outline: mask.outline, at: mask.at, ink: "#000000" }, inside);
    else paintFill(mask.place, mask.gradient, inside);
    layOver(through, pen, { how: "destination-in" });
  }

  /** Pixel on pixel, since both were painted under the same map. @param cut whole pixels; the rest is left out */
  function layOver(
    { image }: Surface,
    { context }: Pen,
    { alpha = 1, how = "source-over", blur = 0, cut }: Over,
  ): void {
    context.save();
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.globalAlpha = alpha;
    context.globalCompositeOperation = how;
    if (blur > 0) context.filter = `blur(${blur * scale}px)`;
    if (cut) context.drawImage(image, cut.x, cut.y, cut.width, cut.height, cut.x, cut.y, cut.width, cut.height);
    else context.drawImage(image, 0, 0);
    context.restore();
  }

  function paintFrame(list: DisplayList): Surface {
    frame ??= withMargin();
    const pen: Pen = { context: frame.context, snaps: true, alpha: 1, depth: 0 };
    pen.context.setTransform(1, 0, 0, 1, 0, 0);
    pen.context.globalAlpha = 1;
    const painted = paintGround(list, frame, pen);
    pen.context.translate(MARGIN, MARGIN);
    paintAll(list.slice(painted), pen);
    before = list;
    return frame;
  }

  /** Gives how many nodes it painted. */
  function paintGround(list: DisplayList, { image }: Surface, pen: Pen): number {
    const { context } = pen;
    if (ground && beginsWith(list, ground.nodes)) {
      context.drawImage(ground.surface.image, 0, 0);
      return ground.nodes.length;
    }
    context.fillStyle = "#000000";
    context.fillRect(0, 0, room.width, room.height);
    const length = groundLength(before, list);
    const nodes = list.slice(0, length);
    const lacked = lacking;
    context.translate(MARGIN, MARGIN);
    paintAll(nodes, pen);
    context.translate(-MARGIN, -MARGIN);
    if (length > 0 && lacking === lacked) {
      const surface = ground?.surface ?? withMargin();
      surface.context.drawImage(image, 0, 0);
      ground = { nodes, surface };
    }
    return length;
  }

  function paintApart(node: StillNode): KeptStill | null {
    const around = pixelsAround(node.bounds);
    if (!around) return null;
    const { x, y, width, height } = around;
    const surface = resources.surface(width + 2 * STILL_MARGIN, height + 2 * STILL_MARGIN);
    surface.context.translate(STILL_MARGIN - x, STILL_MARGIN - y);
    paintAll(node.children, { context: surface.context, snaps: true, alpha: 1, depth: 0 });
    return { surface, from: rect(STILL_MARGIN, STILL_MARGIN, width, height), x, y };
  }

  function placeOf(nodes: readonly DisplayNode[], by: Point): Rect | null {
    const painted = unionOf(paintedAreas(nodes));
    if (!painted) return null;
    const { x, y, width, height } = inset(painted, evenInsets(-SOFT));
    return pixelsAround(rect(x + by.x / scaleX, y + by.y / scaleY, width, height));
  }

  function paintOn({ context }: Surface, nodes: readonly DisplayNode[], by: Point): void {
    context.setTransform(1, 0, 0, 1, MARGIN + by.x, MARGIN + by.y);
    paintAll(nodes, { context, snaps: true, alpha: 1, depth: 0 });
  }

  return {
    frame: paintFrame,
    sheet: withMargin,
    still: paintApart,
    placeOf,
    paintOn,
    paint(list, context) {
      const { image } = paintFrame(list);
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.globalAlpha = 1;
      context.drawImage(image, -MARGIN, -MARGIN);
    },
    prepare: () => sheets.prepare(),
  };
}

/** Low smoothing at half size or above: the one way both platforms resample alike. */
function drawPart(image: CanvasImageSource, part: Rect, to: Rect, { context }: Pick<Pen, "context">): void {
  context.imageSmoothingEnabled = true;
  context.imageSmoothingQuality = "low";
  context.drawImage(image, part.x, part.y, part.width, part.height, to.x, to.y, to.width, to.height);
}
