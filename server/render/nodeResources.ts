import {
  type Image,
  type SKRSContext2D,
  Path2D as NodePath,
  createCanvas,
  ImageData,
  loadImage,
  Canvas,
} from "@napi-rs/canvas";
import { type LookupTable, applyTable } from "../../core/grading/lookupTable";
import { type ClipNode, type DisplayList, type PictureNode, everyNode } from "../../core/scene/displayList";
import { emojiLevel, pictureLevel } from "../../core/scene/drawnLevel";
import { type PaintContext, type PaintResources, type Surface } from "../../paint/resources";
import { remembered } from "../remembered";
import { type Pixels } from "./planar/framePieces";
import { type Rows } from "./planar/frameParts";
import { emojiFile } from "../faces/emojiFiles";
import { levelKey } from "../storage/keys";
import { store } from "../storage/store";

/**
 * Node's canvas follows the same interface as the browser's but has types of its own; these two functions are the one
 * place where the two are said to be the same.
 */
const asContext = (context: SKRSContext2D): PaintContext => context as unknown as PaintContext;
const asImage = (image: Image | Canvas): CanvasImageSource => image as unknown as CanvasImageSource;

/** Pictures, emoji and clip frames for painting on the server. */
export interface NodeResources extends PaintResources {
  /** Decodes the pictures and emoji a list needs. Must be awaited before the list is painted at `scale` pixels a unit. */
  load(list: DisplayList, scale: number): Promise<void>;
  /** The pixels of a loaded working copy; null where something would be seen through them. */
  opaquePixels(node: PictureNode, level: number): Pixels | null;
  /** Sets some rows of the frame that a use of a clip shows next, in the colours that it is shown in. */
  setClipFrame(node: ClipNode, frame: Pixels, rows: Rows): void;
}

/** Pictures by file and table, shared by the segments a thread renders one after another. The longest unused goes first. */
const once = remembered<Image | Canvas>(8);

const decoded = (file: string): Promise<Image | Canvas> => once(file, () => loadImage(file));

/** A picture's file decoded, its colours changed. */
const shown = (file: string, table?: LookupTable): Promise<Image | Canvas> =>
  table ? once(`${file} ${table.id}`, async () => tabled(await decoded(file), table)) : decoded(file);

/** @param hashes SHA-256 of each media item by id */
export function nodeResources(hashes: Readonly<Record<string, string>>): NodeResources {
  const pictures = new Map<string, Image | Canvas>();
  const clips = new Map<string, { surface: Canvas; width: number; height: number }>();

  async function loadOnce(key: string, file: () => Promise<string>, table?: LookupTable): Promise<void> {
    if (!pictures.has(key)) pictures.set(key, await shown(await file(), table));
  }

  const levelFile = async (media: string, level: number): Promise<string> => {
    const hash = hashes[media];
    if (!hash) throw new Error(`There is no stored picture for media item ${media}.`);
    return store().local(levelKey(hash, level));
  };

  return {
    surface: (width, height) => nodeSurface(width, height),
    path: () => new NodePath(),
    picture: (node, level) => found(pictures.get(pictureKey(node, level))),
    emoji: (code, level) => found(pictures.get(`emoji/${code}/${level}`)),
    opaquePixels(node, level) {
      const image = pictures.get(pictureKey(node, level));
      return image ? opaquePixelsOf(image) : null;
    },
    clipFrame({ use }) {
      const clip = clips.get(use);
      return clip ? { image: asImage(clip.surface), width: clip.width, height: clip.height } : null;
    },
    async load(list, scale) {
      for (const node of everyNode(list)) {
        if (node.kind === "picture") {
          const level = pictureLevel(node, scale);
          await loadOnce(pictureKey(node, level), () => levelFile(node.media, level), node.table);
        } else if (node.kind === "emoji") {
          const level = emojiLevel(node, scale);
          await loadOnce(`emoji/${node.code}/${level}`, () => emojiFile(node.code, level));
        }
      }
    },
    setClipFrame({ use }, { bytes, width, height }, { from, to }) {
      const pixels = new Uint8ClampedArray(bytes.buffer, bytes.byteOffset, bytes.byteLength);
      const clip = clips.get(use);
      const surface = clip?.width === width && clip.height === height ? clip.surface : createCanvas(width, height);
      const context = surface.getContext("2d");
      context.putImageData(new ImageData(pixels, width, height), 0, 0, 0, from, width, to - from);
      clips.set(use, { surface, width, height });
    },
  };
}

const pictureKey = ({ media, table }: PictureNode, level: number): string => `${media}/${level}/${table?.id ?? ""}`;

/** A picture with its colours changed. */
function tabled(image: Image | Canvas, table: LookupTable): Canvas {
  const canvas = createCanvas(image.width, image.height);
  const context = canvas.getContext("2d");
  context.drawImage(image, 0, 0);
  const pixels = context.getImageData(0, 0, image.width, image.height);
  applyTable(pixels.data, table);
  context.putImageData(pixels, 0, 0);
  return canvas;
}

const knownPixels = new WeakMap<Image | Canvas, { readonly pixels: Pixels | null }>();

function opaquePixelsOf(image: Image | Canvas): Pixels | null {
  const known = knownPixels.get(image) ?? { pixels: ifOpaque(pixelsOf(image)) };
  knownPixels.set(image, known);
  return known.pixels;
}

function pixelsOf(image: Image | Canvas): Pixels {
  const surface = nodeSurface(image.width, image.height);
  surface.context.drawImage(asImage(image), 0, 0);
  return pixelsOn(surface);
}

const OPAQUE = 0xff000000;

function ifOpaque(pixels: Pixels): Pixels | null {
  const { bytes, width, height } = pixels;
  for (const pixel of new Uint32Array(bytes.buffer, bytes.byteOffset, width * height)) if (pixel < OPAQUE) return null;
  return pixels;
}

const found = (image: Image | Canvas | undefined): CanvasImageSource | null => (image ? asImage(image) : null);

/** The canvas of a surface that `nodeSurface` made. */
function canvasOf({ image }: Surface): Canvas {
  if (!(image instanceof Canvas)) throw new TypeError("The surface is none of Node's canvases.");
  return image;
}

/**
 * Takes all off a surface that `nodeSurface` made, and its map and styles. What was read of a canvas is copied when it is painted
 * on next, all 8 MB of it, unless it gets new memory, as it does with its width.
 */
export function emptied(surface: Surface): void {
  canvasOf(surface).width = surface.width;
}

/** All that is on a surface that `nodeSurface` made. */
export const pixelsOn = (surface: Surface): Pixels => ({
  bytes: canvasOf(surface).data(),
  width: surface.width,
  height: surface.height,
});

export interface NodeSurface extends Surface {
  readonly canvas: Canvas;
}

export function nodeSurface(width: number, height: number): NodeSurface {
  const canvas = createCanvas(width, height);
  return { width, height, canvas, context: asContext(canvas.getContext("2d")), image: asImage(canvas) };
}
