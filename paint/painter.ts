import { type Rect, type Size, rect } from "../core/geometry/rect";
import { levelLength } from "../core/geometry/pyramid";
import {
  type ClipNode,
  type ClippedNode,
  type DisplayList,
  type DisplayNode,
  type EmojiNode,
  type Ink,
  type MovedNode,
  type PictureNode,
  type Shadow,
  type ShapeNode,
  type StillNode,
} from "../core/scene/displayList";
import { emojiLevel, pictureLevel } from "../core/scene/drawnLevel";
import { EMOJI_SIDE } from "../core/type/emojiPictures";
import { type Outline, STEP, eachStep } from "../core/type/outline";
import { type PaintContext, type PaintResources, type Surface } from "./resources";

/** Paints display lists of one format at one output size, keeping what holds still. */
export interface Painter {
  paint(list: DisplayList, context: PaintContext): void;
}

/** Where drawing happens: the scale of the output, and whether edges may be snapped to whole pixels. */
interface Pen {
  readonly context: PaintContext;
  readonly snaps: boolean;
  /** What moved parents leave of a node's own alpha. */
  readonly alpha: number;
}

/** Bumped whenever the same document would paint other pixels, so that stored segments are not reused. */
export const PAINTER_VERSION = 6;

/**
 * A painter for frames of `format` (design units) on surfaces of `pixels`. The two axes scale on their own, so that a
 * rounded output size leaves no uncovered sliver at an edge.
 */
export function createPainter(format: Size, pixels: Size, resources: PaintResources): Painter {
  const scaleX = pixels.width / format.width;
  const scaleY = pixels.height / format.height;
  const scale = Math.min(scaleX, scaleY);
  const stills = new WeakMap<StillNode, { surface: Surface; x: number; y: number }>();
  const paths = new WeakMap<Outline, Path2D>();
  let layerSurface: Surface | null = null;
  /** Whether a picture was not there yet since this was last cleared: what lacks one must not be kept. */
  let lacking = false;
  const isLacking = (): boolean => lacking;

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
      case "moved": {
        paintMoved(node, pen);
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
        paintLayer(node.children, node.alpha, pen);
        return;
      }
    }
  }

  /** A place in pixels of the output. Snapped so that neighbours share their edge exactly. */
  function toPixels(place: Rect, pen: Pen): Rect {
    const [left, top] = [place.x * scaleX, place.y * scaleY];
    const [rightEdge, bottomEdge] = [(place.x + place.width) * scaleX, (place.y + place.height) * scaleY];
    const snap = pen.snaps ? Math.round : (value: number): number => value;
    return rect(snap(left), snap(top), snap(rightEdge) - snap(left), snap(bottomEdge) - snap(top));
  }

  function paintFill(place: Rect, ink: Ink, pen: Pen): void {
    const { context } = pen;
    const { x, y, width, height } = toPixels(place, pen);
    context.fillStyle = inkStyle(context, ink);
    context.fillRect(x, y, width, height);
  }

  function inkStyle(context: PaintContext, ink: Ink): string | CanvasGradient {
    if (typeof ink === "string") return ink;
    const gradient = context.createLinearGradient(
      ink.from.x * scaleX,
      ink.from.y * scaleY,
      ink.to.x * scaleX,
      ink.to.y * scaleY,
    );
    for (const [offset, color] of ink.stops) gradient.addColorStop(offset, color);
    return gradient;
  }

  function paintShape({ outline, at, ink, shadow }: ShapeNode, { context }: Pen): void {
    let path = paths.get(outline);
    if (!path) paths.set(outline, (path = tracePath(resources.path(), outline)));
    context.save();
    if (shadow) castShadow(shadow, context);
    context.translate(at.x * scaleX, at.y * scaleY);
    context.scale(scaleX, scaleY);
    context.fillStyle = typeof ink === "string" ? ink : inkStyle(context, ink);
    context.fill(path);
    context.restore();
  }

  /** Shadows are not scaled with what casts them, so they are given in pixels. */
  function castShadow({ ink, blur, down }: Shadow, context: PaintContext): void {
    context.shadowColor = ink;
    context.shadowBlur = blur * scale;
    context.shadowOffsetY = down * scaleY;
  }

  function paintPicture(node: PictureNode, pen: Pen): void {
    const level = pictureLevel(node, scale);
    const image = resources.picture(node.media, level);
    if (!image) {
      lacking = true;
      return;
    }
    const part = scaledPart(
      node.part,
      levelLength(node.width, level) / node.width,
      levelLength(node.height, level) / node.height,
    );
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
    const frame = resources.clipFrame(node.media, node.frame);
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
    else lacking = true;
  }

  function paintMoved({ alpha, dx, dy, scale, about, whole, children }: MovedNode, pen: Pen): void {
    const { context } = pen;
    context.save();
    context.globalAlpha = pen.alpha * alpha;
    if (whole) {
      context.translate(Math.round(dx * scaleX), Math.round(dy * scaleY));
      paintAll(children, { ...pen, alpha: pen.alpha * alpha });
      context.restore();
      return;
    }
    context.translate((about.x + dx) * scaleX, (about.y + dy) * scaleY);
    context.scale(scale, scale);
    context.translate(-about.x * scaleX, -about.y * scaleY);
    paintAll(children, { ...pen, snaps: false, alpha: pen.alpha * alpha });
    context.restore();
  }

  /** The edge is snapped to whole pixels, as places are. */
  function paintClipped({ place, children }: ClippedNode, pen: Pen): void {
    const { x, y, width, height } = toPixels(place, pen);
    if (width <= 0 || height <= 0) return;
    pen.context.save();
    pen.context.beginPath();
    pen.context.rect(x, y, width, height);
    pen.context.clip();
    paintAll(children, pen);
    pen.context.restore();
  }

  function paintStill(node: StillNode, pen: Pen): void {
    let kept = stills.get(node);
    if (!kept) {
      const x = Math.max(0, Math.floor(node.bounds.x * scaleX));
      const y = Math.max(0, Math.floor(node.bounds.y * scaleY));
      const rightEdge = Math.min(pixels.width, Math.ceil((node.bounds.x + node.bounds.width) * scaleX));
      const bottomEdge = Math.min(pixels.height, Math.ceil((node.bounds.y + node.bounds.height) * scaleY));
      if (rightEdge <= x || bottomEdge <= y) return;
      const surface = resources.surface(rightEdge - x, bottomEdge - y);
      surface.context.translate(-x, -y);
      lacking = false;
      paintAll(node.children, { context: surface.context, snaps: true, alpha: 1 });
      kept = { surface, x, y };
      if (!isLacking()) stills.set(node, kept);
    }
    pen.context.drawImage(kept.surface.image, kept.x, kept.y);
  }

  function paintLayer(children: readonly DisplayNode[], alpha: number, pen: Pen): void {
    if (alpha <= 0) return;
    layerSurface ??= resources.surface(pixels.width, pixels.height);
    layerSurface.context.clearRect(0, 0, pixels.width, pixels.height);
    paintAll(children, { ...pen, context: layerSurface.context, alpha: 1 });
    pen.context.save();
    pen.context.globalAlpha = alpha;
    pen.context.drawImage(layerSurface.image, 0, 0);
    pen.context.restore();
  }

  return {
    paint(list, context) {
      context.setTransform(1, 0, 0, 1, 0, 0);
      context.globalAlpha = 1;
      context.fillStyle = "#000000";
      context.fillRect(0, 0, pixels.width, pixels.height);
      paintAll(list, { context, snaps: true, alpha: 1 });
    },
  };
}

const scaledPart = (part: Rect, x: number, y: number): Rect =>
  rect(part.x * x, part.y * y, part.width * x, part.height * y);

/** Low smoothing at half size or above: the one way both platforms resample alike. */
function drawPart(image: CanvasImageSource, part: Rect, to: Rect, { context }: Pen): void {
  context.imageSmoothingEnabled = true;
  context.imageSmoothingQuality = "low";
  context.drawImage(image, part.x, part.y, part.width, part.height, to.x, to.y, to.width, to.height);
}

function tracePath(path: Path2D, outline: Outline): Path2D {
  eachStep(outline, (step, at) => {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0] = outline.slice(at, at + 6);
    if (step === STEP.move) path.moveTo(a, b);
    else if (step === STEP.line) path.lineTo(a, b);
    else if (step === STEP.quadratic) path.quadraticCurveTo(a, b, c, d);
    else if (step === STEP.cubic) path.bezierCurveTo(a, b, c, d, e, f);
    else path.closePath();
  });
  return path;
}
